import type { Level, Schema } from '../api/client';
import { stating } from '../flags/stating';
import type { Pot } from './lines';

export type Piece = Schema['PreparationPiece'];
export type LinePiece = Schema['LinePiece'];

const EMPTY: Piece = {
  id: '',
  name: '',
  kind: 'sauce',
  lines: [],
  statements: {},
  by_products: [],
  equipment: [],
  method: [],
  evidence: {},
  batches: [],
  way: '',
  ways: []
};

const EMPTY_LINE: LinePiece = {
  item: '',
  quantity: 0,
  unit: 'g',
  role: 'body',
  stage: 'cook',
  optional: false,
  strained_out: false,
  chosen: false,
  note: '',
  equipment: [],
  treatment: 'none',
  group: '',
  typed: ''
};

/** A pot while it is being written. Fields that the form does not show are kept as they were. */
export class PotDraft {
  #before: Piece = EMPTY;
  name = $state('');
  kind = $state<Piece['kind']>('sauce');
  className = $state('');
  colour = $state('');
  lines = $state<LinePiece[]>([]);
  names = $state<Record<string, string>>({});
  statements = $state<Record<string, Level>>({});
  otherwise = $state<Level | null>(null);

  begin(pot?: Pot) {
    const piece = pot?.preparation ?? EMPTY;
    this.#before = piece;
    this.name = piece.name;
    this.kind = piece.kind;
    this.className = piece.class ?? '';
    this.colour = piece.colour ?? '';
    this.lines = (piece.lines ?? []).map((line) => ({ ...line }));
    this.names = Object.fromEntries((pot?.lines ?? []).map((line) => [line.line.item, line.name]));
    this.statements = { ...piece.statements };
    this.otherwise = piece.otherwise ?? null;
  }

  /** The level of all that is not stated, as the screen shows it while nothing is chosen. */
  ownOtherwise = $derived<Level>(
    this.otherwise ?? (this.lines.length === 0 ? 'unchecked' : 'free')
  );

  /** What is still to be said before the pot can be recorded; empty where nothing is. */
  wants = $derived.by((): string => {
    if (this.name.trim() === '') return 'It has no name yet.';
    const bare = this.lines.findIndex((line) => line.item === '');
    return bare < 0
      ? ''
      : `Line ${bare + 1} has no item yet: choose one from the list, or take it out.`;
  });

  /** The pot as it is to be; null while it has no name. Lines without an item are left out. */
  piece = $derived.by((): Piece | null => {
    if (this.name.trim() === '') return null;
    return {
      ...this.#before,
      name: this.name.trim(),
      kind: this.kind,
      class: this.className || null,
      colour: this.colour || null,
      lines: this.lines.filter((line) => line.item !== '').map((line) => ({ ...line })),
      statements: { ...this.statements },
      evidence: this.#evidence(),
      otherwise: this.otherwise
    };
  });

  #evidence() {
    const kept = Object.entries(this.#before.evidence).filter(
      ([flag]) => flag === 'otherwise' || flag in this.statements
    );
    return Object.fromEntries(kept);
  }

  state(flag: string, level: Level | null) {
    this.statements = stating(this.statements, flag, level);
  }

  addLine() {
    this.lines.push({ ...EMPTY_LINE });
  }

  removeLine(index: number) {
    this.lines.splice(index, 1);
  }
}
