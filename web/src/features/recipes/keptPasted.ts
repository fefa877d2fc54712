import type { Schema } from '../../api/client';

type Reviewed = Schema['ReviewedOut'];

interface Pasted {
  reviewed: Reviewed[];
  taken: Record<string, boolean>;
  sources: string[];
}

const KEY = 'yellow-ladle-recipes';
const PUT_AWAY = 'yellow-ladle-recipes-put-away';

/** Keeps recipes that are being looked at in this browser; none are forgotten there. */
export function keepPasted(pasted: Pasted) {
  try {
    if (pasted.reviewed.length > 0) localStorage.setItem(KEY, JSON.stringify(pasted));
    else localStorage.removeItem(KEY);
  } catch {
    // A full store keeps what it has; the page still holds the recipes.
  }
}

/** Puts recipes aside; they can be taken up again until others are put aside. */
export function putAway(pasted: Pasted) {
  try {
    localStorage.setItem(PUT_AWAY, JSON.stringify(pasted));
  } catch {
    // As above.
  }
}

/** The recipes that were put aside last; null where none were, or they are taken up again. */
export const pastedPutAway = () => read(PUT_AWAY);

export function forgetPutAway() {
  localStorage.removeItem(PUT_AWAY);
}

/** What was kept, if it is still in the form of today. */
export const keptPasted = () => read(KEY);

function read(key: string): Pasted | null {
  try {
    const kept = JSON.parse(localStorage.getItem(key) ?? 'null') as Pasted | null;
    return kept &&
      Array.isArray(kept.reviewed) &&
      kept.reviewed.every((each) => each.preparation.id)
      ? kept
      : null;
  } catch {
    return null;
  }
}
