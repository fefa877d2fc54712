import { answer, api, type Schema } from '../../../api/client';
import { AsyncState } from '../../../lib/asyncState.svelte';

export type Guest = Schema['GuestPiece'];
export type Menu = Schema['MenuOut'];
type Gain = Schema['GainOut'];

/** The plates and guests of a menu, and the fewest pots with which all of them eat. */
export class MenuBench {
  plates = $state<string[]>([]);
  guests = $state<Guest[]>([]);
  seconds = $state(5);
  /** How many plates of each course every guest is to have; 0 for every plate. */
  each = $state(1);
  #first = new AsyncState<Menu>({ rest: 0 });
  #asked = new AsyncState<Menu>({ rest: 0, then: () => this.#askForGains() });
  #gains = new AsyncState<Gain[]>({ rest: 0 });

  /** The best answer, or until it is there the first one, which needs no search. */
  get found(): Menu | null {
    return this.#asked.value ?? this.#first.value;
  }

  get busy(): boolean {
    return this.#asked.busy;
  }

  /** What one more pot, purchase or label would buy; null while that is not known. */
  get gains(): Gain[] | null {
    return this.#gains.value;
  }

  get looksForGains(): boolean {
    return this.#gains.busy;
  }

  get error(): unknown {
    return this.#asked.error;
  }

  find() {
    const body = this.#question(this.seconds);
    const first = this.#question(0);
    this.#asked.clear();
    this.#gains.clear();
    this.#first.ask(() => answer(api.POST('/api/v1/plans/menu', { body: first })));
    this.#asked.ask(() => answer(api.POST('/api/v1/plans/menu', { body })));
  }

  #askForGains() {
    const body = this.#question(this.seconds);
    this.#gains.ask(() => answer(api.POST('/api/v1/plans/menu/gains', { body })));
  }

  #question(seconds: number) {
    return { plates: this.plates, guests: this.guests, seconds, each: this.each || null };
  }

  /** Plates with one serving for each group of guests. */
  rows = $derived.by(() => {
    const rows = new Map<string, Menu['servings']>();
    for (const serving of this.found?.servings ?? [])
      rows.set(serving.plate.name, [...(rows.get(serving.plate.name) ?? []), serving]);
    return [...rows];
  });
}
