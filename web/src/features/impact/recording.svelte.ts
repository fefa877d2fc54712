import { answer, api, Refused, type Schema, type Standing } from '../../api/client';
import { afterRecording } from '../../api/queries';
import { announcements } from '../../app/announce.svelte';

export type Change = Schema['RecordIn']['change'];
export type Impact = Schema['ImpactOut'];

/** Milliseconds without another change before it is asked what the change would do. */
const REST = 120;

/**
 * A change on its way into the book: its impact is shown first, then it is recorded. What was typed
 * stays where it is when the server refuses, also when somebody else was quicker.
 */
export class Recording {
  impact = $state<Impact | null>(null);
  error = $state<unknown>(null);
  /** What stands, where somebody else wrote in the meantime. */
  overtaken = $state.raw<Standing | null>(null);
  busy = $state(false);
  #latest = 0;

  /** Asks what a change would do; only the newest question is asked, its answer alone is shown. */
  async preview(wanted: Change | null | (() => Change | Promise<Change>)) {
    const mine = ++this.#latest;
    if (!this.overtaken) this.error = null;
    if (wanted === null) {
      this.impact = null;
      return;
    }
    try {
      await new Promise((rested) => setTimeout(rested, REST));
      if (mine !== this.#latest) return;
      const change = await (typeof wanted === 'function' ? wanted() : wanted);
      if (mine !== this.#latest) return;
      const impact = await answer(api.POST('/api/v1/preview', { body: { change } }));
      if (mine === this.#latest) this.impact = impact;
    } catch (error) {
      if (mine !== this.#latest) return;
      this.impact = null;
      this.error = error;
    }
  }

  /** Records a change that was made looking at version `seen`; says whether it stands. */
  async record(
    change: Change,
    seen: number | null,
    act: { person?: string | null; why?: string; seen_each?: Record<string, number | null> } = {}
  ): Promise<boolean> {
    this.busy = true;
    this.error = null;
    try {
      const { person = null, why = '', seen_each = null } = act;
      const body = { change, seen: this.overtaken?.version ?? seen, person, why, seen_each };
      const done = await answer(api.POST('/api/v1/changes', { body }));
      const freed = done.freed.length > 0 ? ` Now checked in full: ${done.freed.join(', ')}.` : '';
      announcements.say(`Recorded. ${done.impact.sentence}${freed}`);
      this.overtaken = null;
      this.impact = null;
      await afterRecording();
      return true;
    } catch (error) {
      this.error = error;
      if (error instanceof Refused) this.overtaken = error.current ?? null;
      return false;
    } finally {
      this.busy = false;
    }
  }

  reset() {
    this.#latest += 1;
    this.impact = null;
    this.error = null;
    this.overtaken = null;
  }
}
