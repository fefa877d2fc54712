import { answer, api, type Schema } from '../api/client';
import { afterRecording } from '../api/queries';
import { announcements } from '../frame/announce.svelte';

export type Plans = Schema['PlansOut'];
export type Plan = Schema['PlanOut'];
export type Goal = { what: 'clear' | 'fit'; id: string; name: string };

/** The swap bench of one pot: its goals, the plans that reach them, and the one that is picked. */
export class Bench {
  goals = $state<Goal[]>([]);
  plans = $state<Plans | null>(null);
  picked = $state(0);
  error = $state<unknown>(null);
  busy = $state(false);
  #latest = 0;
  #item: () => string;

  constructor(item: () => string) {
    this.#item = item;
  }

  plan = $derived<Plan | undefined>(this.plans?.plans[this.picked]);

  wanted = $derived({
    clear: this.goals.filter((goal) => goal.what === 'clear').map((goal) => goal.id),
    fit: this.goals.filter((goal) => goal.what === 'fit').map((goal) => goal.id)
  });

  add(goal: Goal) {
    if (!this.goals.some((known) => known.what === goal.what && known.id === goal.id))
      this.goals.push(goal);
  }

  drop(goal: Goal) {
    this.goals = this.goals.filter((known) => known !== goal);
  }

  async find() {
    const mine = ++this.#latest;
    this.error = null;
    if (this.goals.length === 0) {
      this.plans = null;
      return;
    }
    this.busy = true;
    try {
      const body = { item: this.#item(), goals: this.wanted, limit: 3 };
      const found = await answer(api.POST('/api/v1/plans', { body }));
      if (mine !== this.#latest) return;
      this.plans = found;
      this.picked = 0;
    } catch (error) {
      if (mine === this.#latest) this.error = error;
    } finally {
      if (mine === this.#latest) this.busy = false;
    }
  }

  /** Applies the picked plan; the id of the pot to look at, or null where it was refused. */
  async apply(as: 'variant' | 'for_all', name: string | null): Promise<string | null> {
    if (!this.plan) return null;
    this.busy = true;
    this.error = null;
    try {
      const body = {
        item: this.#item(),
        goals: this.wanted,
        swaps: this.plan.swaps.map((entry) => entry.swap),
        as,
        name,
        seen: this.plan.seen
      };
      const done = await answer(api.POST('/api/v1/plans/apply', { body }));
      const made = done.made.map((pot) => pot.name).join(', ');
      announcements.say(
        as === 'variant' ? `Made beside the usual: ${made}.` : `Changed for all: ${made}.`
      );
      await afterRecording();
      return done.item;
    } catch (error) {
      this.error = error;
      return null;
    } finally {
      this.busy = false;
    }
  }
}
