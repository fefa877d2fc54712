import { createQuery } from '@tanstack/svelte-query';
import { answer, api, type Schema } from '../api/client';
import { queries } from '../api/queries';

type Found = Schema['FoundOut'];

const MAX_SHOWN = 30;
/** Words shorter than this are not taken for others with a slip in them. */
const LONG_ENOUGH = 4;

/** Whether a word is another one with one slip of the pen, two in long words. */
function slipped(word: string, other: string): boolean {
  if (word.length < LONG_ENOUGH) return false;
  const most = word.length > 7 ? 2 : 1;
  if (Math.abs(word.length - other.length) > most) return false;
  let row = Array.from({ length: other.length + 1 }, (_, at) => at);
  for (let i = 1; i <= word.length; i++) {
    const next = [i];
    for (let j = 1; j <= other.length; j++) {
      const change = (row[j - 1] ?? 0) + (word[i - 1] === other[j - 1] ? 0 : 1);
      next.push(Math.min(change, (row[j] ?? 0) + 1, (next[j - 1] ?? 0) + 1));
    }
    row = next;
  }
  return (row[other.length] ?? most + 1) <= most;
}

const plain = (text: string) => text.toLowerCase().normalize('NFD').replace(/\p{M}/gu, '');

/**
 * Finds pots, jars and by-products by words of their names. The names are fetched once, when the box
 * is first used: a list that arrived after each letter would lose the entry that Enter takes.
 */
export class Finder {
  constructor(private readonly only?: Found['what']) {}

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
    const words = plain(this.words).split(/\s+/).filter(Boolean);
    const has = (name: string) => words.every((word) => plain(name).includes(word));
    const nearly = (name: string) => {
      const parts = plain(name).split(/\s+/);
      return words.every((word) =>
        parts.some(
          (part) =>
            part.includes(word) || slipped(word, part) || slipped(word, part.slice(0, word.length))
        )
      );
    };
    const first = words[0] ?? '';
    const rank = (entry: Found) => (plain(entry.name).startsWith(first) ? 0 : 1);
    const all = (this.#all.data ?? []).filter((entry) => !this.only || entry.what === this.only);
    const exact = all.filter((entry) => has(entry.name));
    return (exact.length > 0 ? exact : all.filter((entry) => nearly(entry.name)))
      .sort((a, b) => rank(a) - rank(b))
      .slice(0, MAX_SHOWN);
  });

  /** Whether the names are here; before that nobody can tell what is new. */
  loaded = $derived(this.#all.data !== undefined);

  /** Whether something has just this name. */
  known = $derived(
    (this.#all.data ?? []).some((entry) => plain(entry.name) === plain(this.words.trim()))
  );

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
