import { answer, api, Refused, type Schema, type Standing } from '../../api/client';
import { Write } from '../../api/write.svelte';
import { AsyncState } from '../../lib/asyncState.svelte';
import { currentUser } from '../../api/currentUser.svelte';

export type Change = Schema['RecordIn']['change'];
export type Impact = Schema['ImpactOut'];

interface Told {
  readonly value: Impact | null;
  readonly error: unknown;
}

function recorded({ impact, freed }: Schema['RecordedOut']): string {
  const now = freed.length > 0 ? ` Now checked in full: ${freed.join(', ')}.` : '';
  return `Recorded. ${impact.sentence}${now}`;
}

/**
 * A change on its way into the book: its impact is shown first, then it is recorded. What was typed
 * stays where it is when the server refuses, also when somebody else was quicker.
 */
export class Recording {
  #preview = new AsyncState<Impact>({ rest: 120 });
  #told: Told;
  #stands: (() => void) | undefined;
  #write = new Write(
    async (body: Schema['RecordIn']) => {
      const done = await answer(api.POST('/api/v1/changes', { body }));
      this.#stands?.();
      return done;
    },
    { says: recorded }
  );
  /** What stands, where somebody else wrote in the meantime. */
  overtaken = $state.raw<Standing | null>(null);

  /** `told` gives the impact where something else asks for it already. */
  constructor(told?: Told) {
    this.#told = told ?? this.#preview;
  }

  get impact(): Impact | null {
    return this.#told.value;
  }

  /** Why it was not recorded, or why it cannot be. */
  get error(): unknown {
    return this.#write.error ?? this.#told.error;
  }

  get busy(): boolean {
    return this.#write.busy;
  }

  /** Another change is meant from here on: why the one before was refused counts no more. */
  forget() {
    if (!this.overtaken) this.#write.forget();
  }

  /** Asks what a change would do; only the newest question is asked, its answer alone is shown. */
  preview(wanted: Change | null | (() => Change | Promise<Change>)) {
    this.forget();
    // What the server answers depends on who asks: some changes need a person behind them.
    void currentUser.initials;
    if (wanted === null) {
      this.#preview.clear();
      return;
    }
    this.#preview.ask(async () => {
      const change = await (typeof wanted === 'function' ? wanted() : wanted);
      return answer(api.POST('/api/v1/preview', { body: { change } }));
    });
  }

  /**
   * Records a change that was made looking at version `seen`; says whether it stands. `stands` is
   * called as soon as it does, before anything is announced: a draft is to be dropped by then.
   */
  async record(
    change: Change,
    seen: number | null,
    act: {
      why?: string;
      seen_each?: Record<string, number | null>;
      stands?: () => void;
    } = {}
  ): Promise<boolean> {
    const { why = '', seen_each = null } = act;
    this.#stands = act.stands;
    const body = { change, seen: this.overtaken?.version ?? seen, why, seen_each };
    if (await this.#write.send(body)) {
      this.overtaken = null;
      this.#preview.clear();
      return true;
    }
    const { error } = this.#write;
    if (error instanceof Refused) this.overtaken = error.current ?? null;
    return false;
  }

  reset() {
    this.#preview.clear();
    this.#write.forget();
    this.overtaken = null;
  }
}
