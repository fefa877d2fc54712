import { createQuery, keepPreviousData } from '@tanstack/svelte-query';
import { queries } from '../api/queries';

interface Ways<T> {
  /** Milliseconds without another question before the newest is asked. */
  rest?: number;
  /** Whether the last answer stays in sight when a later question is refused. */
  keeps?: boolean;
  /** Called with every answer to the newest question. */
  then?: (found: T) => void;
}

let made = 0;

/**
 * What the server answers to a question that changes while somebody types: the newest alone counts,
 * and it is asked again when the book has changed beneath it.
 */
export class AsyncState<T> {
  #asked = $state.raw<{ round: number; question: () => Promise<T> } | null>(null);
  #last = $state.raw<T | null>(null);
  #waiting: ReturnType<typeof setTimeout> | undefined;
  #round = 0;
  readonly #rest: number;
  readonly #keeps: boolean;
  readonly #query;

  constructor({ rest = 150, keeps = false, then }: Ways<T> = {}) {
    this.#rest = rest;
    this.#keeps = keeps;
    const mine = ++made;
    this.#query = createQuery(
      () => {
        const asked = this.#asked;
        return {
          queryKey: ['question', mine, asked?.round ?? 0],
          enabled: asked !== null,
          staleTime: Infinity,
          gcTime: 0,
          retry: false,
          placeholderData: keepPreviousData,
          queryFn: async () => {
            if (asked === null) throw new Error('nothing is asked');
            const found = await asked.question();
            if (asked === this.#asked) {
              this.#last = found;
              then?.(found);
            }
            return found;
          }
        };
      },
      () => queries
    );
  }

  get value(): T | null {
    if (this.#asked === null) return null;
    if (this.#query.isError) return this.#keeps ? this.#last : null;
    return this.#query.data ?? null;
  }

  get error(): unknown {
    return this.#asked === null ? null : this.#query.error;
  }

  /** Whether the newest question is still without an answer. */
  get busy(): boolean {
    return this.#query.isFetching;
  }

  /** Asks once nothing newer was asked for a moment. The answer of before stays until then. */
  ask(question: () => Promise<T>) {
    clearTimeout(this.#waiting);
    const round = ++this.#round;
    const begin = () => (this.#asked = { round, question });
    if (this.#rest === 0) begin();
    else this.#waiting = setTimeout(begin, this.#rest);
  }

  /** Forgets the answer, and whatever is still on its way. */
  clear() {
    clearTimeout(this.#waiting);
    this.#round += 1;
    this.#asked = null;
    this.#last = null;
  }
}
