interface Ways {
  /** Milliseconds without another question before the newest is asked. */
  rest?: number;
  /** Whether the last answer stays in sight when a later question is refused. */
  keeps?: boolean;
}

/** What the server answers to a question that changes while somebody types: the newest alone counts. */
export class AsyncState<T> {
  value = $state.raw<T | null>(null);
  error = $state.raw<unknown>(null);
  #latest = 0;
  readonly #rest: number;
  readonly #keeps: boolean;

  constructor({ rest = 150, keeps = false }: Ways = {}) {
    this.#rest = rest;
    this.#keeps = keeps;
  }

  /** Asks once nothing newer was asked for a moment. The answer of before stays until then. */
  async ask(question: () => Promise<T>) {
    const mine = ++this.#latest;
    await new Promise((rested) => setTimeout(rested, this.#rest));
    if (mine !== this.#latest) return;
    try {
      const found = await question();
      if (mine !== this.#latest) return;
      this.value = found;
      this.error = null;
    } catch (error) {
      if (mine !== this.#latest) return;
      if (!this.#keeps) this.value = null;
      this.error = error;
    }
  }

  /** Forgets the answer, and whatever is still on its way. */
  clear() {
    this.#latest += 1;
    this.value = null;
    this.error = null;
  }
}
