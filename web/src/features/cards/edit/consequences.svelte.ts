import { answer, api, type Schema } from '../../../api/client';
import { identified } from '../../../api/ids';
import type { Piece } from './pieces';

const REST = 150;

/** What a draft comes to, asked again whenever it has rested for a moment. */
export class Consequences {
  draft = $state.raw<Schema['DraftOut'] | null>(null);
  #latest = 0;

  async look(piece: Piece | null) {
    const mine = ++this.#latest;
    if (piece === null) return;
    await new Promise((rested) => setTimeout(rested, REST));
    if (mine !== this.#latest) return;
    try {
      const preparation = await identified(piece);
      const found = await answer(api.POST('/api/v1/cards/draft', { body: { preparation } }));
      if (mine === this.#latest) this.draft = found;
    } catch {
      // What is wrong is told beside the button; the figures of before stay in sight until then.
    }
  }
}
