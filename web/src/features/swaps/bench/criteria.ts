import type { Schema } from '../../../api/client';

export type Criterion = Schema['KitchenOut']['swap_order'][number];

/** What plans are judged by, as a cook says it. */
export const CRITERIA: Record<Criterion, string> = {
  adds: 'nothing new in it',
  swaps: 'fewest and easiest swaps',
  fidelity: 'nearest in taste',
  pots: 'fewest pots',
  cost: 'cheapest goods'
};
