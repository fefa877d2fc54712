import { announcements } from '../../api/announce.svelte';

/** Amounts that are being read, each with whether it turned out to be another one. */
const waiting = new Set<Promise<boolean>>();

/** Notes that an amount is being read. */
export function reading(amount: Promise<boolean>) {
  waiting.add(amount);
  void amount.finally(() => waiting.delete(amount));
}

/**
 * Waits until every typed amount is understood. Says so, and answers true, where one became another:
 * what that changes has to be seen before anything is recorded.
 */
export async function amountsRead(): Promise<boolean> {
  const others = await Promise.all(waiting);
  if (!others.includes(true)) return false;
  announcements.say('An amount was read just now. Look at what it changes, then record.');
  return true;
}
