import type { Component } from 'svelte';

/** A component that is fetched when it is wanted; `component` is null until it is there. */
export class Late<Props extends Record<string, unknown>> {
  component = $state.raw<Component<Props> | null>(null);
  readonly #load: () => Promise<{ default: Component<Props> }>;

  constructor(load: () => Promise<{ default: Component<Props> }>) {
    this.#load = load;
  }

  /** Fetches it. Without a server nothing changes, and the next call tries again. */
  async want() {
    try {
      this.component ??= (await this.#load()).default;
    } catch {
      // The banner says that the server cannot be reached; what stands here goes on standing.
    }
  }
}
