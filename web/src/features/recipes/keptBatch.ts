import type { Reviewed } from './recipes.svelte';

interface Batch {
  reviewed: Reviewed[];
  taken: Record<string, boolean>;
  sources: string[];
}

const KEY = 'yellow-ladle-recipes';
const PUT_AWAY = 'yellow-ladle-recipes-put-away';

/** Keeps recipes that are being looked at in this browser; none are forgotten there. */
export function keepBatch(batch: Batch) {
  try {
    if (batch.reviewed.length > 0) localStorage.setItem(KEY, JSON.stringify(batch));
    else localStorage.removeItem(KEY);
  } catch {
    // A full store keeps what it has; the page still holds the recipes.
  }
}

/** Puts recipes aside; they can be taken up again until others are put aside. */
export function putAway(batch: Batch) {
  try {
    localStorage.setItem(PUT_AWAY, JSON.stringify(batch));
  } catch {
    // As above.
  }
}

/** The recipes that were put aside last; null where none were, or they are taken up again. */
export const batchPutAway = () => read(PUT_AWAY);

export function forgetPutAway() {
  localStorage.removeItem(PUT_AWAY);
}

/** What was kept, if it is still in the form of today. */
export const keptBatch = () => read(KEY);

function read(key: string): Batch | null {
  try {
    const kept = JSON.parse(localStorage.getItem(key) ?? 'null') as Batch | null;
    return kept &&
      Array.isArray(kept.reviewed) &&
      kept.reviewed.every((each) => each.preparation.id)
      ? kept
      : null;
  } catch {
    return null;
  }
}
