import type { Schema } from '../../api/client';
import { smaller } from './smaller';

export type Found = Schema['PictureTextOut'];

/** How a picture is turned, clockwise, and the corners of the part that is meant. */
export interface Frame {
  turn: number;
  corners?: number[];
}

/** x and y of each corner, as shares of the sides, clockwise from the upper left. */
const WHOLE = [0, 0, 1, 0, 1, 1, 0, 1];

/** The corners that lie above, below or beside one of a straight part. */
const BESIDE_X = [3, 2, 1, 0];
const BESIDE_Y = [1, 0, 3, 2];

const within = (share: number) => Math.min(Math.max(share, 0), 1);

/** A photograph of words: framed by hand where needed, read, and compared with the thing itself. */
export class Photograph {
  file = $state.raw<File | null>(null);
  turn = $state(0);
  corners = $state([...WHOLE]);
  /** Whether it lies slanted, so that each corner stands by itself. */
  slanted = $state(false);
  framing = $state(false);
  found = $state.raw<Found | null>(null);
  /** Whether words of a picture are in use, which somebody has to compare. */
  used = $state(false);
  compared = $state(false);
  busy = $state(false);
  error = $state<unknown>(null);
  #send: (file: File, frame: Frame) => Promise<Found>;
  #use: (found: Found) => unknown;

  constructor(send: (file: File, frame: Frame) => Promise<Found>, use: (found: Found) => unknown) {
    this.#send = send;
    this.#use = use;
  }

  /** Whether the words may be used: those of a picture only once somebody compared them. */
  get settled(): boolean {
    return !this.used || this.compared;
  }

  /** Takes another picture and reads it as it is. */
  async take(file: File) {
    this.busy = true;
    this.file = await smaller(file);
    this.found = null;
    this.turn = 0;
    this.slanted = false;
    this.framing = false;
    this.whole();
    await this.read();
  }

  async read() {
    if (!this.file) return;
    this.busy = true;
    this.error = null;
    this.compared = false;
    const cut = this.corners.some((share, at) => share !== WHOLE[at]);
    try {
      const frame = { turn: this.turn, ...(cut ? { corners: this.corners } : {}) };
      this.found = await this.#send(this.file, frame);
      this.turn = this.found.turn;
      this.framing = false;
      this.used = true;
      await this.#use(this.found);
    } catch (error) {
      this.error = error;
      this.framing = true;
    } finally {
      this.busy = false;
    }
  }

  /** Its words have gone on; nothing of it is in use any more. */
  done() {
    this.file = null;
    this.found = null;
    this.used = false;
    this.error = null;
  }

  rotate(by: 90 | -90) {
    this.turn = (this.turn + by + 360) % 360;
    this.corners = [...WHOLE];
  }

  /** Puts a corner somewhere; of a straight part the two beside it follow. */
  move(corner: number, x: number, y: number) {
    const moved = [...this.corners];
    const [toX, toY] = [within(x), within(y)];
    moved[2 * corner] = toX;
    moved[2 * corner + 1] = toY;
    if (!this.slanted) {
      moved[2 * (BESIDE_X[corner] ?? 0)] = toX;
      moved[2 * (BESIDE_Y[corner] ?? 0) + 1] = toY;
    }
    this.corners = moved;
  }

  nudge(corner: number, x: number, y: number) {
    this.move(corner, (this.corners[2 * corner] ?? 0) + x, (this.corners[2 * corner + 1] ?? 0) + y);
  }

  whole() {
    this.corners = [...WHOLE];
  }
}
