import { answer, api, type Schema } from '../../../api/client';

export type Guest = Schema['GuestPiece'];
export type Menu = Schema['MenuOut'];

/** The plates and guests of a menu, and the fewest pots with which all of them eat. */
export class MenuBench {
  plates = $state<string[]>([]);
  guests = $state<Guest[]>([]);
  seconds = $state(5);
  found = $state<Menu | null>(null);
  error = $state<unknown>(null);
  busy = $state(false);

  async find() {
    this.busy = true;
    this.error = null;
    try {
      const body = { plates: this.plates, guests: this.guests, seconds: this.seconds };
      this.found = await answer(api.POST('/api/v1/plans/menu', { body }));
    } catch (error) {
      this.error = error;
    } finally {
      this.busy = false;
    }
  }

  /** Plates with one serving for each group of guests. */
  rows = $derived.by(() => {
    const rows = new Map<string, Menu['servings']>();
    for (const serving of this.found?.servings ?? [])
      rows.set(serving.plate.name, [...(rows.get(serving.plate.name) ?? []), serving]);
    return [...rows];
  });
}
