import { announcements } from './announce.svelte';
import { PAGE } from './page';
import { askAgain, type Part } from './queries';

/** Milliseconds without a word from the kitchen after which the connection is taken to be gone. */
const SILENCE = 12_000;
/** Milliseconds in which what is heard is gathered before it is asked for. */
const GATHERING = 250;
const CHANNEL = 'yellow-ladle-heard';
const MAX_TOLD = 3;

interface Written {
  counter: number;
  /** The counter of what is added day by day: each write raises one of the two. */
  appended: number;
  at: string;
  reaches: Part;
  told: string;
  person: string;
  page: string;
}
type Message =
  | { kind: 'standing' | 'beat'; content: { counter: number; appended: number; at: string } }
  | { kind: 'written'; content: Written }
  | { kind: 'gone' };

/**
 * What the kitchen tells of its book while the page is open. One tab of a browser holds the
 * connection and passes on what it hears; the others listen to that tab.
 */
class Heard {
  /** Since when nothing was heard; null while the connection stands. */
  lostSince = $state.raw<Date | null>(null);
  #last = new Date();
  #counter: number | null = null;
  #source: EventSource | null = null;
  #parts = new Set<Part>();
  #told: string[] = [];
  #gathering: ReturnType<typeof setTimeout> | undefined;
  #pressed = false;
  #connected = true;
  readonly #channel = new BroadcastChannel(CHANNEL);

  /** Begins to listen; the page calls it once. */
  begin() {
    this.#channel.onmessage = ({ data }: MessageEvent<Message>) => this.#take(data);
    for (const [kind, pressed] of [
      ['pointerdown', true],
      ['pointerup', false],
      ['pointercancel', false]
    ] as const)
      window.addEventListener(kind, () => (this.#pressed = pressed), { capture: true });
    document.addEventListener('visibilitychange', () => {
      if (document.visibilityState === 'visible') this.#look();
    });
    setInterval(() => this.#look(), 1_000);
    // Without a secure context there are no locks: then each tab has a connection of its own.
    if (navigator.locks) void navigator.locks.request(CHANNEL, () => this.#hold());
    else this.#connect();
  }

  #hold(): Promise<never> {
    this.#connect();
    return new Promise(() => undefined);
  }

  #connect() {
    this.#source?.close();
    const source = (this.#source = new EventSource('/api/v1/events'));
    for (const kind of ['standing', 'beat', 'written'] as const)
      source.addEventListener(kind, ({ data }: MessageEvent<string>) =>
        this.#pass({ kind, content: JSON.parse(data) })
      );
    source.onerror = () => {
      this.#pass({ kind: 'gone' });
      // A connection that was refused is not tried again by itself.
      if (source.readyState === EventSource.CLOSED) setTimeout(() => this.#connect(), 1_000);
    };
  }

  #pass(message: Message) {
    this.#channel.postMessage(message);
    this.#take(message);
  }

  #take(message: Message) {
    if (message.kind === 'gone') {
      this.#connected = false;
      this.lostSince ??= this.#last;
      return;
    }
    const counter = message.content.counter + message.content.appended;
    const expected = this.#counter === null || message.kind !== 'written' ? 0 : 1;
    const missed = this.#counter !== null && counter !== this.#counter + expected;
    this.#last = new Date();
    this.#counter = counter;
    this.#connected = true;
    if (missed || this.lostSince) this.#gather('book');
    if (message.kind !== 'written' || message.content.page === PAGE) return;
    const { reaches, told, person } = message.content;
    this.#gather(reaches, person && told ? `${person}: ${told}` : told);
  }

  #gather(part: Part, told = '') {
    this.#parts.add(part);
    if (told) this.#told.push(told);
    clearTimeout(this.#gathering);
    this.#gathering = setTimeout(() => void this.#askAgain(), GATHERING);
  }

  async #askAgain() {
    // Rows must not move beneath a finger that is on them.
    if (this.#pressed) {
      this.#gathering = setTimeout(() => void this.#askAgain(), GATHERING);
      return;
    }
    const parts = this.#parts.has('book') ? (['book'] as const) : [...this.#parts];
    this.#parts.clear();
    const told = this.#told.splice(0);
    if (told.length > 0) {
      const more = told.length > MAX_TOLD ? ` And ${told.length - MAX_TOLD} more.` : '';
      announcements.say(`${told.slice(0, MAX_TOLD).join('. ')}.${more}`);
    }
    await Promise.all(parts.map((part) => askAgain(part)));
    // What is on the screen was read after the connection came back: it is today's again.
    if (this.#connected) this.lostSince = null;
  }

  /** A tablet that slept has heard nothing, and nobody told it that the connection is gone. */
  #look() {
    if (Date.now() - this.#last.getTime() <= SILENCE) return;
    if (this.lostSince && this.#connected === false) return;
    this.#connected = false;
    this.lostSince ??= this.#last;
    this.#connect();
  }
}

export const heard = new Heard();
