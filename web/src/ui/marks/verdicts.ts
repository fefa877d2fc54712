import type { Schema } from '../../api/client';

export type Verdict = Schema['StripOut']['diets'][string];

const WORDS: Record<Verdict, string> = {
  suits: 'suits',
  ask: 'ask',
  does_not_suit: 'does not suit'
};

/** A verdict in words. */
export const verdictWord = (verdict: Verdict): string => WORDS[verdict];

/** The colour of a verdict: moss suits, clay is something to do, brick is not to be served. */
export const verdictColour = (verdict: Verdict): string =>
  ({ suits: 'text-moss', ask: 'text-clay', does_not_suit: 'text-brick' })[verdict];
