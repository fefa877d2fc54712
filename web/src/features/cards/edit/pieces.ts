import type { Schema } from '../../../api/client';

export type Piece = Schema['PreparationPiece'];
export type LinePiece = Schema['LinePiece'];
export type StepPiece = Schema['StepPiece'];

export const EMPTY: Piece = {
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
  ways: [],
  not_in_it: [],
  made_here: true,
  section: ''
};

/** By-products after their card's lines were moved: `places` gives each line's new index by its old
 *  one, null where the line is gone. One of which no line is left follows the rule. */
export function renumbered(
  parts: Piece['by_products'],
  places: (number | null)[]
): Piece['by_products'] {
  return (parts ?? []).map((part) => {
    if (part.of == null) return part;
    const of = part.of.map((at) => places[at] ?? null).filter((at) => at !== null);
    return { ...part, of: of.length > 0 ? of.sort((one, other) => one - other) : null };
  });
}

export const EMPTY_LINE: LinePiece = {
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

export const EMPTY_STEP: StepPiece = { text: '', equipment: [], uses: [], passive: false };

/** A card as the beginning of another one. */
export const copyOf = (piece: Piece, name = `${piece.name}, copy`): Piece => ({
  ...piece,
  id: '',
  name,
  batches: [],
  retired: null
});

/** A plain copy, with nothing of the state that watches it. */
export const copied = <T>(value: T): T => JSON.parse(JSON.stringify(value)) as T;
