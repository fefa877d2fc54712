import { announcements } from '../frame/announce.svelte';

/** Amounts that were typed and are not understood yet. */
const waiting = new Set<Promise<void>>();

/** Notes that an amount is being read. */
export function reading(amount: Promise<void>) {
  waiting.add(amount);
  void amount.finally(() => waiting.delete(amount));
}

/**
 * Waits until every typed amount is understood. Says so, and answers true, where there was one: its
 * consequences have to be seen before anything is recorded.
 */
export async function amountsRead(): Promise<boolean> {
  if (waiting.size === 0) return false;
  await Promise.all(waiting);
  announcements.say('An amount was read just now. Look at what it changes, then record.');
  return true;
}
