import { answer, api, Refused, type Schema, type Standing } from '../../api/client';
import { afterRecording } from '../../api/queries';
import { announcements } from '../../app/announce.svelte';
import { AsyncState } from '../../lib/asyncState.svelte';

export type Change = Schema['RecordIn']['change'];
export type Impact = Schema['ImpactOut'];

/**
 * A change on its way into the book: its impact is shown first, then it is recorded. What was typed
 * stays where it is when the server refuses, also when somebody else was quicker.
 */
export class Recording {
  #preview = new AsyncState<Impact>({ rest: 120 });
  #refused = $state<unknown>(null);
  impact = $derived<Impact | null>(this.#preview.value);
  /** Why it was not recorded, or why it cannot be. */
  error = $derived<unknown>(this.#refused ?? this.#preview.error);
  /** What stands, where somebody else wrote in the meantime. */
  overtaken = $state.raw<Standing | null>(null);
  busy = $state(false);

  /** Asks what a change would do; only the newest question is asked, its answer alone is shown. */
  preview(wanted: Change | null | (() => Change | Promise<Change>)) {
    if (!this.overtaken) this.#refused = null;
    if (wanted === null) {
      this.#preview.clear();
      return;
    }
    void this.#preview.ask(async () => {
      const change = await (typeof wanted === 'function' ? wanted() : wanted);
      return answer(api.POST('/api/v1/preview', { body: { change } }));
    });
  }

  /** Records a change that was made looking at version `seen`; says whether it stands. */
  async record(
    change: Change,
    seen: number | null,
    act: { person?: string | null; why?: string; seen_each?: Record<string, number | null> } = {}
  ): Promise<boolean> {
    this.busy = true;
    this.#refused = null;
    try {
      const { person = null, why = '', seen_each = null } = act;
      const body = { change, seen: this.overtaken?.version ?? seen, person, why, seen_each };
      const done = await answer(api.POST('/api/v1/changes', { body }));
      const freed = done.freed.length > 0 ? ` Now checked in full: ${done.freed.join(', ')}.` : '';
      announcements.say(`Recorded. ${done.impact.sentence}${freed}`);
      this.overtaken = null;
      this.#preview.clear();
      await afterRecording();
      return true;
    } catch (error) {
      this.#refused = error;
      if (error instanceof Refused) this.overtaken = error.current ?? null;
      return false;
    } finally {
      this.busy = false;
    }
  }

  reset() {
    this.#preview.clear();
    this.#refused = null;
    this.overtaken = null;
  }
}
