import type { Schema } from '../api/client';

export type Product = Schema['ProductPiece'];

/** A product of which only a name is known: everything is not checked. */
export const UNREAD: Product = {
  id: '',
  name: '',
  class: null,
  statements: {},
  otherwise: 'unchecked',
  certificates: [],
  evidence: {},
  papers: {},
  label: '',
  pack: '',
  code: '',
  makers: [],
  parts: [],
  merged: []
};
