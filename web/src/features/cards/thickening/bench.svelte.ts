import { answer, api, type Schema } from '../../../api/client';
import { thickeningQuery } from '../../../api/queries';
import { AsyncState } from '../../../lib/asyncState.svelte';

export type Option = Schema['OptionOut'];
export type Goal = Schema['ThickenIn']['goals'] extends (infer G)[] | undefined ? G : never;

export const GOAL_WORDS: Record<string, string> = {
  no_gluten: 'no gluten source',
  no_maize: 'no maize',
  freezes_well: 'freezes well',
  clear: 'stays clear',
  stands_acid: 'holds in acid'
};

/** What is on the thickening bench, and the amounts that come out of it. */
export class Bench {
  litres = $state(1);
  place = $state('coats');
  already = $state(0);
  minutes = $state(10);
  sour = $state(false);
  milk = $state(false);
  fat = $state('butter');
  colour = $state('white');
  equal = $state(true);
  goals = $state<Goal[]>([]);
  /** Thickeners that are not wanted side by side. */
  left = $state<string[]>([]);
  #asked = new AsyncState<Option[]>({ keeps: true });
  options = $derived<Option[]>(this.#asked.value ?? []);
  #poured = $state<unknown>(null);
  /** Why a pot's liquid could not be taken, or why there is no answer. */
  error = $derived<unknown>(this.#poured ?? this.#asked.error);

  words = thickeningQuery();

  /** Takes a pot's own liquid onto the bench. */
  async takePot(id: string) {
    const params = { path: { id } };
    this.#poured = null;
    let pot: Schema['PotOnBench'];
    try {
      pot = await answer(api.GET('/api/v1/thickening/pots/{id}', { params }));
    } catch (error) {
      this.#poured = error;
      return;
    }
    this.litres = Number(pot.litres.toFixed(2)) || 1;
    this.already = Number(pot.already.toFixed(1));
    this.sour = pot.sour;
    this.milk = pot.milk;
  }

  get #wanted(): string[] {
    const every = this.words.data?.thickeners ?? [];
    return every.map((each) => each.id).filter((id) => !this.left.includes(id));
  }

  ask() {
    const body = {
      litres: this.litres,
      place: this.place,
      thickeners: this.left.length > 0 ? this.#wanted : [],
      already: this.already,
      minutes: this.minutes,
      sour: this.sour,
      milk: this.milk,
      fat: this.fat,
      colour: this.colour,
      equal: this.equal,
      goals: this.goals
    };
    this.#asked.ask(() => answer(api.POST('/api/v1/thickening', { body })));
  }

  want(thickener: string) {
    this.left = this.left.includes(thickener)
      ? this.left.filter((other) => other !== thickener)
      : [...this.left, thickener];
  }

  toggle(goal: Goal) {
    this.goals = this.goals.includes(goal)
      ? this.goals.filter((other) => other !== goal)
      : [...this.goals, goal];
  }
}
