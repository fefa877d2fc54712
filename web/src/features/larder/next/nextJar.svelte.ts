import type { Schema } from '../../../api/client';

type Held = Schema['HeldOut'];

/** Goes through what is unchecked, the most useful first; what was seen to or put off is passed. */
export class NextJar {
  #passed = $state<string[]>([]);
  #held: () => Held[];

  constructor(held: () => Held[]) {
    this.#held = held;
  }

  /** Products, each once, though several of its makers may be unread. */
  jars = $derived.by(() => {
    const products = this.#held().filter((entry) => entry.is_product);
    return [...new Map(products.map((entry) => [entry.item, entry])).values()];
  });

  left = $derived(this.jars.filter((jar) => !this.#passed.includes(jar.item)));

  current = $derived(this.left[0] ?? null);

  /** Passes a jar by its id: once it is recorded, another one may be the current already. */
  pass(item: string) {
    this.#passed = [...this.#passed, item];
  }

  /** Begins again with those that were put off. */
  again() {
    this.#passed = [];
  }
}
