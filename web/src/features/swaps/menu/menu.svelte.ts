import { answer, api, type Schema } from '../../../api/client';
import { AsyncState } from '../../../lib/asyncState.svelte';
import { KeptForm } from '../../../lib/keptForm.svelte';

export type Guest = Schema['GuestPiece'];
export type Menu = Schema['MenuOut'];
type Gain = Schema['GainOut'];

/** The plates and guests of a menu, and the fewest pots with which all of them eat. */
export class MenuBench {
  /** What was chosen is there again the next time; null plates and guests: nobody has chosen. */
  readonly #form = new KeptForm('menu', '', {
    plates: null as string[] | null,
    guests: null as Guest[] | null,
    seconds: 5,
    each: 1
  });
  /** All plates, and the guests who wait: what the menu begins with. */
  offered = $state.raw<{ plates: string[]; guests: Guest[] }>({ plates: [], guests: [] });
  #first = new AsyncState<Menu>({ rest: 0 });
  #asked = new AsyncState<Menu>({ rest: 0, then: () => this.#askForGains() });
  #gains = new AsyncState<Gain[]>({ rest: 0 });

  /** The plates that are ticked: all of them until somebody unticks one. */
  get plates(): string[] {
    const known = new Set(this.offered.plates);
    return this.#form.fields.plates?.filter((id) => known.has(id)) ?? this.offered.plates;
  }
  set plates(chosen: string[]) {
    this.#form.fields.plates = chosen;
  }

  get guests(): Guest[] {
    return this.#form.fields.guests ?? this.offered.guests;
  }
  set guests(chosen: Guest[]) {
    this.#form.fields.guests = chosen;
  }

  get seconds(): number {
    return this.#form.fields.seconds;
  }
  set seconds(most: number) {
    this.#form.fields.seconds = most;
  }

  /** How many plates of each course every guest is to have; 0 for every plate. */
  get each(): number {
    return this.#form.fields.each;
  }
  set each(plates: number) {
    this.#form.fields.each = plates;
  }

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
