import { answer, api, type Schema } from '../../../api/client';
import { Write } from '../../../api/write.svelte';
import { announcements } from '../../../api/announce.svelte';
import { AsyncState } from '../../../lib/asyncState.svelte';
import type { Goal } from '../../../ui/goals';
import type { Criterion } from './criteria';

export type Plans = Schema['PlansOut'];
export type Plan = Schema['PlanOut'];
export type Limits = Schema['LimitsPiece'];
export type Loosened = Schema['LoosenedOut'];
export type How = Schema['ApplyIn']['as'];

export const noLimits = (): Limits => ({
  most_pots: null,
  without: [],
  kept: [],
  keep_colour: false,
  keep_thickness: false,
  freezes: false,
  products_only: false
});

const SHOWN = 3;

const without = (record: Record<string, string>, key: string) =>
  Object.fromEntries(Object.entries(record).filter(([other]) => other !== key));

/** The swap bench of one pot: its goals and limits, the plans that reach them, those looked at. */
export class Bench {
  goals = $state<Goal[]>([]);
  limits = $state<Limits>(noLimits());
  #found = new AsyncState<Plans>({ rest: 0, keeps: true, then: () => this.#answered() });
  #loosened = new AsyncState<Loosened[]>({ rest: 0 });
  #applying = new Write(
    (body: Schema['ApplyIn']) => answer(api.POST('/api/v1/plans/apply', { body })),
    { says: ({ made }, { as }) => `${said[as]}: ${made.map((pot) => pot.name).join('; ')}.` }
  );
  /** How many covers the small pots are made for; null tells their whole cards. */
  covers = $state<number | null>(2);
  picked = $state(0);
  pinned = $state<number[]>([]);
  /** What counts most this once; null leaves it to the kitchen's own order. */
  first = $state<Criterion | null>(null);
  others = $state<Record<string, string>>({});
  kept = $state<Record<string, string>>({});
  barred = $state<Record<string, string>>({});
  /** The place of the first plan that is shown; three stand side by side. */
  from = $state(0);
  names = $state<Record<string, string>>({});
  /** The place of the first plan to be shown once the plans that are asked for are there. */
  #turningTo = 0;
  #item: () => string;

  constructor(item: () => string) {
    this.#item = item;
  }

  get plans(): Plans | null {
    return this.#found.value;
  }

  get loosened(): Loosened[] | null {
    return this.#loosened.value;
  }

  get busy(): boolean {
    return this.#found.busy || this.#applying.busy;
  }

  get error(): unknown {
    return this.#applying.error ?? this.#loosened.error ?? this.#found.error;
  }

  plan = $derived<Plan | undefined>(this.plans?.plans[this.picked]);

  /** The places of the plans that stand side by side: two pinned ones, or the first few. */
  shown = $derived(
    this.pinned.length === 2
      ? this.pinned
      : (this.plans?.plans ?? []).map((_, at) => at).slice(this.from, this.from + SHOWN)
  );

  wanted = $derived({
    clear: this.goals.filter((goal) => goal.what === 'clear').map((goal) => goal.id),
    fit: this.goals.filter((goal) => goal.what === 'fit').map((goal) => goal.id)
  });

  /** The ids of all that is to be cleared. */
  get items(): string[] {
    return [this.#item(), ...Object.keys(this.others)];
  }

  /** The question as the server takes it. */
  get asked(): Schema['PlansIn'] {
    return {
      item: this.#item(),
      and_items: Object.keys(this.others),
      goals: this.wanted,
      limits: {
        ...this.limits,
        without: Object.keys(this.barred),
        kept: Object.keys(this.kept).map((key) => {
          const [pot = '', line = '0'] = key.split(' ');
          return { in: pot, line: Number(line) };
        })
      },
      order: this.first ? [this.first] : [],
      limit: SHOWN + 1,
      covers: this.covers
    };
  }

  add(goal: Goal) {
    if (!this.goals.some((known) => known.what === goal.what && known.id === goal.id))
      this.goals.push(goal);
  }

  drop(goal: Goal) {
    this.goals = this.goals.filter((known) => known !== goal);
  }

  /** No plan may bring this item any more. */
  bar(item: string, name: string) {
    this.barred = { ...this.barred, [item]: name };
  }

  /** Every plan has to leave this line as it is. */
  keep(swap: Schema['SwapPiece'], name: string) {
    this.kept = { ...this.kept, [`${swap.in} ${swap.line}`]: name };
  }

  free(item: string) {
    this.barred = without(this.barred, item);
    this.kept = without(this.kept, item);
    this.others = without(this.others, item);
  }

  /** One more pot that the same swaps have to clear. */
  also(item: string, name: string) {
    if (item !== this.#item()) this.others = { ...this.others, [item]: name };
  }

  /** Lets one goal or limit go, as the list of what that opens names it. */
  loosen(entry: Loosened) {
    if (entry.id === 'without') this.barred = {};
    else if (entry.id === 'kept') this.kept = {};
    else if (entry.what === 'limit')
      this.limits = { ...this.limits, [entry.id]: noLimits()[entry.id as keyof Limits] };
    else this.goals = this.goals.filter((g) => g.what !== entry.what || g.id !== entry.id);
  }

  pick(at: number) {
    this.picked = at;
    this.names = {};
  }

  /** Pins a plan to be compared with another; a third one takes the place of the first. */
  pin(at: number) {
    this.pinned = this.pinned.includes(at)
      ? this.pinned.filter((other) => other !== at)
      : [...this.pinned, at].slice(-2);
  }

  find() {
    this.#loosened.clear();
    this.#applying.forget();
    if (this.goals.length === 0) return this.#found.clear();
    this.#turningTo = 0;
    const body = this.asked;
    this.#found.ask(() => answer(api.POST('/api/v1/plans', { body })));
  }

  #answered() {
    if (this.#turningTo === 0) {
      this.pinned = [];
      this.pick(0);
    }
    this.from = this.#turningTo;
    if (this.from > 0) this.#sayWhich();
  }

  #sayWhich() {
    const last = Math.min(this.from + SHOWN, this.plans?.plans.length ?? 0);
    announcements.say(`Plans ${this.from + 1} to ${last}.`);
  }

  further = $derived((this.plans?.plans.length ?? 0) > this.from + SHOWN);

  /** Turns to the next plans; those before stay where they are, also where they are pinned. */
  turn() {
    this.#turningTo = this.from + SHOWN;
    const body = { ...this.asked, limit: this.#turningTo + SHOWN + 1 };
    this.#found.ask(() => answer(api.POST('/api/v1/plans', { body })));
  }

  turnBack() {
    this.#turningTo = this.from = Math.max(this.from - SHOWN, 0);
    this.#sayWhich();
  }

  askWhatLooseningOpens() {
    const body = this.asked;
    this.#loosened.ask(() => answer(api.POST('/api/v1/plans/loosened', { body })));
  }

  /** Applies the picked plan; the id of the pot to look at, or null where it was refused. */
  async apply(as: How): Promise<string | null> {
    if (!this.plan) return null;
    const done = await this.#applying.send({
      item: this.#item(),
      and_items: Object.keys(this.others),
      goals: this.wanted,
      swaps: this.plan.swaps.map((entry) => entry.swap),
      cleaned: this.plan.cleaned.map((entry) => entry.move),
      as,
      names: this.names,
      seen: this.plan.seen
    });
    return done && done.item;
  }
}

const said: Record<How, string> = {
  variant: 'Made beside the usual',
  for_all: 'Changed for all',
  mixed: 'Made for all where it adds nothing, and beside the usual elsewhere',
  today: 'Changed for today, back to the card tomorrow'
};
