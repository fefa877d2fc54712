import { answer, Refused, api, type Problem, type Schema } from '../../../api/client';
import { afterRecording } from '../../../api/queries';
import { announcements } from '../../../app/announce.svelte';
import { currentUser } from '../../people/currentUser.svelte';

type Looked = Schema['IntakeOut'];

/** A file of goods on its way into the larder: looked at first, recorded when confirmed. */
export class Intake {
  looked = $state.raw<Looked | null>(null);
  name = $state('');
  impact = $state.raw<Schema['ImpactOut'] | null>(null);
  error = $state<unknown>(null);
  busy = $state(false);

  async look(file: File) {
    await this.#try(async () => {
      this.looked = this.impact = null;
      this.name = file.name;
      const kind = file.name.toLowerCase().endsWith('.json') ? 'sheet' : 'table';
      const who = currentUser.initials ? `?person=${encodeURIComponent(currentUser.initials)}` : '';
      const reply = await fetch(`/api/v1/intake/${kind}${who}`, { method: 'POST', body: file });
      if (!reply.ok) throw new Refused((await reply.json()) as Problem);
      this.looked = (await reply.json()) as Looked;
      if (this.looked.rows.length > 0) {
        const body = { change: this.#change(this.looked) };
        this.impact = await answer(api.POST('/api/v1/preview', { body }));
      }
    });
  }

  async record() {
    const looked = this.looked;
    if (!looked) return;
    await this.#try(async () => {
      const seen_each = Object.fromEntries(
        looked.rows.map((row) => [row.product.id, row.seen ?? null])
      );
      const why = `taken in from ${this.name}`.slice(0, 1000);
      const change = this.#change(looked);
      const body = { change, seen: null, seen_each, person: currentUser.initials, why };
      const done = await answer(api.POST('/api/v1/changes', { body }));
      announcements.say(`Recorded ${looked.rows.length} products. ${done.impact.sentence}`);
      this.looked = this.impact = null;
      await afterRecording();
    });
  }

  #change(looked: Looked): Schema['ProductsChange'] {
    return { change: 'products', products: looked.rows.map((row) => row.product) };
  }

  async #try(act: () => Promise<void>) {
    this.busy = true;
    this.error = null;
    try {
      await act();
    } catch (refusal) {
      this.error = refusal;
    } finally {
      this.busy = false;
    }
  }
}
