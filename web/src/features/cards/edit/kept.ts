import type { Piece } from './pieces';

/** A draft as it is kept in the browser: what was begun from, what it has become. */
export interface Kept {
  base: Piece;
  version: number | null;
  piece: Piece;
  at: string;
}

const key = (id: string) => `yellow-ladle-draft:${id || 'new'}`;

export function keep(id: string, kept: Kept) {
  try {
    localStorage.setItem(key(id), JSON.stringify(kept));
  } catch {
    // A full store keeps what it has; the page still holds the draft.
  }
}

export function keptDraft(id: string): Kept | null {
  try {
    return JSON.parse(localStorage.getItem(key(id)) ?? 'null') as Kept | null;
  } catch {
    return null;
  }
}

export function forget(id: string) {
  localStorage.removeItem(key(id));
}
