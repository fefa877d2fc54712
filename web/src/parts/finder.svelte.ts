import { createQuery } from '@tanstack/svelte-query';
import { answer, api, type Schema } from '../api/client';
import { queries } from '../api/queries';

type Found = Schema['FoundOut'];

const MOST = 30;

/**
 * Finds pots, jars and by-products by words of their names. The names are fetched once, when the box
 * is first used: a list that arrived after each letter would lose the entry that Enter takes.
 */
export class Finder {
  constructor(private readonly only?: 'product') {}

  words = $state('');
  wanted = $state(false);
  #all = createQuery(
    () => ({
      queryKey: ['find'],
      enabled: this.wanted,
      queryFn: () => answer(api.GET('/api/v1/find', { params: { query: { limit: 20_000 } } }))
    }),
    () => queries
  );

  shown = $derived.by((): Found[] => {
    const words = this.words.toLowerCase().split(/\s+/).filter(Boolean);
    const has = (name: string) => words.every((word) => name.toLowerCase().includes(word));
    const first = words[0] ?? '';
    const rank = (entry: Found) => (entry.name.toLowerCase().startsWith(first) ? 0 : 1);
    return (this.#all.data ?? [])
      .filter((entry) => has(entry.name) && (!this.only || entry.what === this.only))
      .sort((a, b) => rank(a) - rank(b))
      .slice(0, MOST);
  });

  /** What is shown, as the list under the box takes it. */
  options = $derived(
    this.shown.map((entry) => ({
      value: entry.item,
      label: entry.name,
      note: entry.what === 'product' ? 'larder' : entry.kind
    }))
  );

  name(item: string): string | undefined {
    return this.#all.data?.find((entry) => entry.item === item)?.name;
  }
}
