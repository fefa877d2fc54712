import { answer, api, type Schema } from '../../../api/client';
import { AsyncState } from '../../../lib/asyncState.svelte';

export type Guest = Schema['GuestPiece'];
export type Menu = Schema['MenuOut'];

/** The plates and guests of a menu, and the fewest pots with which all of them eat. */
export class MenuBench {
  plates = $state<string[]>([]);
  guests = $state<Guest[]>([]);
  seconds = $state(5);
  /** How many plates of each course every guest is to have; 0 for every plate. */
  each = $state(1);
  #asked = new AsyncState<Menu>({ rest: 0, keeps: true });

  get found(): Menu | null {
    return this.#asked.value;
  }

  get busy(): boolean {
    return this.#asked.busy;
  }

  get error(): unknown {
    return this.#asked.error;
  }

  find() {
    const body = {
      plates: this.plates,
      guests: this.guests,
      seconds: this.seconds,
      each: this.each || null
    };
    this.#asked.ask(() => answer(api.POST('/api/v1/plans/menu', { body })));
  }

  /** Plates with one serving for each group of guests. */
  rows = $derived.by(() => {
    const rows = new Map<string, Menu['servings']>();
    for (const serving of this.found?.servings ?? [])
      rows.set(serving.plate.name, [...(rows.get(serving.plate.name) ?? []), serving]);
    return [...rows];
  });
}
