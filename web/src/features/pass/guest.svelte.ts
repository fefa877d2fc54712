import { answer, api, type Schema } from '../../api/client';
import { AsyncState } from '../../lib/asyncState.svelte';
import { asWords } from '../../lib/levels';
import type { Goal } from '../../ui/goals';

type Strictness = NonNullable<Schema['GuestIn']['strictness']>;

/** What one guest can have: the need, every plate for it, and the swaps that open more. */
export class GuestQuestion {
  goals = $state<Goal[]>([]);
  strictness = $state<Strictness>('allergy');
  #plates = new AsyncState<Schema['GuestOut']>({ rest: 0 });
  #plans = new AsyncState<Schema['GuestPlanOut'][]>({ rest: 0 });

  constructor() {
    const asked = new URLSearchParams(location.search);
    for (const [what, id] of asked)
      if (what === 'clear' || what === 'fit') this.goals.push({ what, id, name: asWords(id) });
    $effect(() => this.#ask());
  }

  get plates() {
    return this.goals.length > 0 ? this.#plates.value : null;
  }

  get plans() {
    return this.#plans.value;
  }

  get busy(): boolean {
    return this.#plates.busy || this.#plans.busy;
  }

  get error(): unknown {
    return this.#plates.error ?? this.#plans.error;
  }

  add(goal: Goal) {
    if (!this.goals.some((known) => known.what === goal.what && known.id === goal.id))
      this.goals = [...this.goals, goal];
  }

  drop(goal: Goal) {
    this.goals = this.goals.filter((known) => known !== goal);
  }

  get search(): string {
    return new URLSearchParams(this.goals.map((goal) => [goal.what, goal.id])).toString();
  }

  get #wanted(): Schema['GuestIn'] {
    const of = (what: string) =>
      this.goals.filter((goal) => goal.what === what).map((goal) => goal.id);
    return { goals: { clear: of('clear'), fit: of('fit') }, strictness: this.strictness };
  }

  /** The plates at once, then the swaps of those that need one. */
  #ask() {
    const body = this.#wanted;
    const search = this.search;
    history.replaceState(history.state, '', location.pathname + (search ? `?${search}` : ''));
    this.#plans.clear();
    if (this.goals.length === 0) return this.#plates.clear();
    this.#plates.ask(async () => {
      const found = await answer(api.POST('/api/v1/guests/plates', { body }));
      const plates = found.plates.filter((each) => each.serving === 'change').map((e) => e.plate);
      if (plates.length > 0)
        this.#plans.ask(() =>
          answer(api.POST('/api/v1/guests/plans', { body: { ...body, plates } }))
        );
      return found;
    });
  }

  plan(plate: string): Schema['GuestPlanOut'] | undefined {
    return this.plans?.find((plan) => plan.plate === plate);
  }
}
