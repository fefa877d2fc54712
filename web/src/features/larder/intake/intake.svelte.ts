import { answer, api, fileBody, type Schema } from '../../../api/client';
import { Write } from '../../../api/write.svelte';

type Looked = Schema['IntakeOut'];

/** A file of goods on its way into the larder: looked at first, recorded when confirmed. */
export class Intake {
  looked = $state.raw<Looked | null>(null);
  name = $state('');
  impact = $state.raw<Schema['ImpactOut'] | null>(null);
  #refused = $state<unknown>(null);
  #looking = $state(false);
  #recording = new Write(
    (body: Schema['RecordIn']) => answer(api.POST('/api/v1/changes', { body })),
    { says: (done) => `Recorded ${this.looked?.rows.length} products. ${done.impact.sentence}` }
  );

  get busy(): boolean {
    return this.#looking || this.#recording.busy;
  }

  get error(): unknown {
    return this.#refused ?? this.#recording.error;
  }

  async look(file: File) {
    this.looked = this.impact = this.#refused = null;
    this.#recording.forget();
    this.name = file.name;
    this.#looking = true;
    try {
      const form = file.name.toLowerCase().endsWith('.json') ? 'sheet' : 'table';
      const sent = fileBody(file);
      this.looked = await answer(
        form === 'sheet'
          ? api.POST('/api/v1/intake/sheet', sent)
          : api.POST('/api/v1/intake/table', sent)
      );
      if (this.looked.rows.length > 0) {
        const body = { change: this.#change(this.looked) };
        this.impact = await answer(api.POST('/api/v1/preview', { body }));
      }
    } catch (refusal) {
      this.#refused = refusal;
    } finally {
      this.#looking = false;
    }
  }

  async record() {
    const looked = this.looked;
    if (!looked) return;
    const seen_each = Object.fromEntries(
      looked.rows.map((row) => [row.product.id, row.seen ?? null])
    );
    const why = `taken in from ${this.name}`.slice(0, 1000);
    const change = this.#change(looked);
    const body = { change, seen: null, seen_each, why };
    if (await this.#recording.send(body)) this.looked = this.impact = null;
  }

  #change(looked: Looked): Schema['ProductsChange'] {
    return { change: 'products', products: looked.rows.map((row) => row.product) };
  }
}
