import type { Level } from '../../../api/client';
import { stating } from '../../../ui/flags/stating';
import { KeptDraft } from '../../../lib/keptDraft';
import {
  copied,
  copyOf,
  EMPTY,
  EMPTY_LINE,
  EMPTY_STEP,
  type LinePiece,
  type Piece,
  renumbered,
  type StepPiece
} from './pieces';

const moved = <T>(entries: readonly T[], from: number, to: number): T[] => {
  const rest = entries.filter((_, at) => at !== from);
  return [...rest.slice(0, to), ...entries.slice(from, from + 1), ...rest.slice(to)];
};

/** A draft as it is kept in the browser: what was begun from, what it has become. */
interface Kept {
  base: Piece;
  version: number | null;
  piece: Piece;
  at: string;
}

const keptCard = (id: string) => new KeptDraft<Kept>('card', id);

/** Changes that follow each other within this many milliseconds are taken back together. */
const TOGETHER = 600;
const MAX_UNDOS = 200;

/**
 * A card while it is being written. Every change is kept in the browser at once, so that a reload
 * or a server that is gone loses nothing, and can be taken back and made again.
 */
export class CardDraft {
  base = $state.raw<Piece>(EMPTY);
  version = $state<number | null>(null);
  piece = $state<Piece>(copied(EMPTY));
  names = $state<Record<string, string>>({});
  /** When a draft that was kept from before was taken up again; empty where none was. */
  recovered = $state('');
  #undo = $state.raw<string[]>([]);
  #redo = $state.raw<string[]>([]);
  #last = '';
  #at = 0;

  /** Begins from what is recorded, or goes on with what was kept of an earlier sitting. */
  begin(base: Piece, version: number | null, names: Record<string, string>) {
    const kept = keptCard(base.id).read();
    this.base = kept ? kept.base : base;
    this.version = kept ? kept.version : version;
    this.piece = copied(kept ? kept.piece : base);
    this.names = { ...names };
    this.recovered = kept ? kept.at : '';
    this.#undo = [];
    this.#redo = [];
    this.#last = JSON.stringify(this.piece);
  }

  /** Goes on from a copy of another card. */
  copy(card: Piece, names: Record<string, string>) {
    this.piece = copied(copyOf(card));
    this.names = { ...names };
  }

  changed = $derived(JSON.stringify(this.piece) !== JSON.stringify(this.base));
  canUndo = $derived(this.#undo.length > 0);
  canRedo = $derived(this.#redo.length > 0);

  /** Notes what the draft has become; called after every change of it. */
  note(now = JSON.stringify(this.piece)) {
    if (now === this.#last) return;
    const together = Date.now() - this.#at < TOGETHER && this.#undo.length > 0;
    if (!together) this.#undo = [...this.#undo, this.#last].slice(-MAX_UNDOS);
    this.#redo = [];
    this.#at = Date.now();
    this.#last = now;
    this.#keep();
  }

  undo() {
    const before = this.#undo.at(-1);
    if (before === undefined) return;
    this.#undo = this.#undo.slice(0, -1);
    this.#redo = [...this.#redo, this.#last];
    this.#show(before);
  }

  redo() {
    const next = this.#redo.at(-1);
    if (next === undefined) return;
    this.#redo = this.#redo.slice(0, -1);
    this.#undo = [...this.#undo, this.#last];
    this.#show(next);
  }

  #show(text: string) {
    this.#last = text;
    this.#at = 0;
    this.piece = JSON.parse(text) as Piece;
    this.#keep();
  }

  #keep() {
    if (!this.changed) return keptCard(this.base.id).forget();
    const at = new Date().toISOString();
    keptCard(this.base.id).keep({
      base: this.base,
      version: this.version,
      piece: copied(this.piece),
      at
    });
  }

  /** Lets go of everything that is not recorded. */
  drop() {
    keptCard(this.base.id).forget();
    this.recovered = '';
  }

  /** Takes both people's changes, on top of the version that stands. */
  merge(merged: Piece, theirs: Piece, version: number) {
    this.base = theirs;
    this.version = version;
    this.piece = copied(merged);
    this.note();
  }

  /** What is still to be said before the card can be recorded; empty where nothing is. */
  wants = $derived.by((): string => {
    if (this.piece.name.trim() === '') return 'It has no name yet.';
    const bare = this.lines.findIndex((line) => line.item === '');
    if (bare >= 0)
      return `Line ${bare + 1} has no item yet: choose one from the list, or remove it.`;
    const empty = this.steps.findIndex((step) => step.text.trim() === '');
    return empty < 0 ? '' : `Step ${empty + 1} says nothing yet: write it, or remove it.`;
  });

  /** The card as it is to be; null while it has no name. What is not finished is left out. */
  ready = $derived.by((): Piece | null => {
    if (this.piece.name.trim() === '') return null;
    let left = 0;
    const places = this.lines.map((line) => (line.item === '' ? null : left++));
    return {
      ...copied(this.piece),
      name: this.piece.name.trim(),
      lines: copied(this.lines.filter((line) => line.item !== '')),
      by_products: renumbered(copied(this.piece.by_products ?? []), places),
      method: copied(this.steps.filter((step) => step.text.trim() !== ''))
    };
  });

  get lines(): LinePiece[] {
    return this.piece.lines ?? [];
  }

  get steps(): StepPiece[] {
    return this.piece.method ?? [];
  }

  state(flag: string, level: Level | null) {
    this.piece.statements = stating(this.piece.statements ?? {}, flag, level);
    this.piece.evidence = Object.fromEntries(
      Object.entries(this.piece.evidence ?? {}).filter(
        ([stated]) => stated === 'otherwise' || stated in (this.piece.statements ?? {})
      )
    );
  }

  addLine() {
    const group = this.lines.at(-1)?.group ?? '';
    this.piece.lines = [...this.lines, { ...copied(EMPTY_LINE), group }];
  }

  /** Lines that were written as text, at the end of the card. */
  addLines(lines: LinePiece[], names: Record<string, string>) {
    this.names = { ...this.names, ...names };
    this.piece.lines = [...this.lines, ...lines];
  }

  addStep() {
    this.piece.method = [...this.steps, copied(EMPTY_STEP)];
  }

  remove(list: 'lines' | 'method', index: number) {
    if (list === 'lines') {
      this.#renumber(this.lines.map((_, at) => at).filter((at) => at !== index));
      this.piece.lines = this.lines.filter((_, at) => at !== index);
    } else this.piece.method = this.steps.filter((_, at) => at !== index);
  }

  /** Moves an entry to another place; says whether it moved. */
  move(list: 'lines' | 'method', from: number, to: number): boolean {
    const length = (list === 'lines' ? this.lines : this.steps).length;
    if (to < 0 || to >= length || from === to) return false;
    if (list === 'lines') {
      this.#renumber(moved([...this.lines.keys()], from, to));
      this.piece.lines = moved(this.lines, from, to);
    } else this.piece.method = moved(this.steps, from, to);
    return true;
  }

  /** By-products name their lines by index: `order` gives the old indexes in their new places. */
  #renumber(order: number[]) {
    const places = this.lines.map((_, at) => {
      const place = order.indexOf(at);
      return place < 0 ? null : place;
    });
    this.piece.by_products = renumbered(this.piece.by_products, places);
  }

  /** Keeps the card as it stands as another way, and goes on with it under a new name. */
  addWay(name: string) {
    const { way, lines, method, colour, portions } = copied(this.piece);
    const other = {
      name: way || 'as the card says',
      lines: lines ?? [],
      method: method ?? [],
      colour,
      yield: this.piece.yield ? { ...copied(this.piece.yield) } : null,
      portions,
      by_products: copied(this.piece.by_products ?? []).filter((part) => part.of != null)
    };
    this.piece.ways = [...(this.piece.ways ?? []), other];
    this.piece.way = name;
  }
}
