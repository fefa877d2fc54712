import type { Schema } from '../api/client';

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
  not_in_it: []
};

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

/** A plain copy, with nothing of the state that watches it. */
export const copied = <T>(value: T): T => JSON.parse(JSON.stringify(value)) as T;
