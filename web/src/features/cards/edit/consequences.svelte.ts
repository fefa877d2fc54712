import { answer, api, type Schema } from '../../../api/client';
import { AsyncState } from '../../../lib/asyncState.svelte';
import type { CardDraft } from './cardDraft.svelte';
import type { Piece } from './pieces';

/** What a draft comes to and what recording it would do: one question once it has rested. */
export class Consequences {
  // What is wrong is told beside the button; the figures of before stay in sight until then.
  #asked = new AsyncState<Schema['DraftOut']>({ keeps: true });
  readonly #card: CardDraft;

  constructor(card: CardDraft) {
    this.#card = card;
  }

  get draft(): Schema['DraftOut'] | null {
    return this.#asked.value;
  }

  /** What recording would do; null while nothing is changed, or while it cannot be recorded. */
  get value(): Schema['ImpactOut'] | null {
    const sound = this.#card.changed && this.#asked.error === null;
    return sound ? (this.#asked.value?.impact ?? null) : null;
  }

  get error(): unknown {
    return this.#card.changed ? this.#asked.error : null;
  }

  look(piece: Piece | null) {
    if (piece === null) return;
    this.#asked.ask(() =>
      answer(api.POST('/api/v1/cards/draft', { body: { preparation: piece } }))
    );
  }
}
