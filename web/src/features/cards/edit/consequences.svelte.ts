import { answer, api, type Schema } from '../../../api/client';
import { identified } from '../../../api/ids';
import { AsyncState } from '../../../lib/asyncState.svelte';
import type { Piece } from './pieces';

/** What a draft comes to, asked again whenever it has rested for a moment. */
export class Consequences {
  // What is wrong is told beside the button; the figures of before stay in sight until then.
  #asked = new AsyncState<Schema['DraftOut']>({ keeps: true });

  get draft(): Schema['DraftOut'] | null {
    return this.#asked.value;
  }

  look(piece: Piece | null) {
    if (piece === null) return;
    void this.#asked.ask(async () => {
      const preparation = await identified(piece);
      return answer(api.POST('/api/v1/cards/draft', { body: { preparation } }));
    });
  }
}
