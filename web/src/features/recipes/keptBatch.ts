import type { Reviewed } from './recipes.svelte';

interface Batch {
  reviewed: Reviewed[];
  taken: Record<string, boolean>;
  sources: string[];
}

const KEY = 'yellow-ladle-recipes';

/** Keeps recipes that are being looked at in this browser; none are forgotten there. */
export function keepBatch(batch: Batch) {
  try {
    if (batch.reviewed.length > 0) localStorage.setItem(KEY, JSON.stringify(batch));
    else localStorage.removeItem(KEY);
  } catch {
    // A full store keeps what it has; the page still holds the recipes.
  }
}

/** What was kept, if it is still in the form of today. */
export function keptBatch(): Batch | null {
  try {
    const kept = JSON.parse(localStorage.getItem(KEY) ?? 'null') as Batch | null;
    return kept &&
      Array.isArray(kept.reviewed) &&
      kept.reviewed.every((each) => each.preparation.id)
      ? kept
      : null;
  } catch {
    return null;
  }
}
