import { answer, api, sentence } from '../../../api/client';
import type { CardDraft } from './cardDraft.svelte';
import { copied } from './pieces';
import type { Presence } from './presence.svelte';

/** Two people on one card: whether a newer version stands, and putting both together. */
export class Merging {
  /** What they changed, and where both did, in words. */
  told = $state.raw<string[]>([]);
  trouble = $state('');
  readonly #draft: CardDraft;
  readonly #presence: Presence;
  readonly #merged: () => void;

  constructor(draft: CardDraft, presence: Presence, merged: () => void) {
    this.#draft = draft;
    this.#presence = presence;
    this.#merged = merged;
  }

  get newer(): boolean {
    const { version } = this.#draft;
    const { standing } = this.#presence;
    return version !== null && standing !== null && standing !== version;
  }

  merge = async () => {
    const draft = this.#draft;
    this.trouble = '';
    const params = { path: { id: draft.base.id } };
    try {
      const body = { base: copied(draft.base), mine: copied(draft.piece) };
      const merged = await answer(api.POST('/api/v1/cards/{id}/merged', { params, body }));
      const now = await answer(api.GET('/api/v1/preparations/{id}', { params }));
      draft.merge(merged.preparation, now.preparation, merged.version);
      this.told = [
        ...merged.differences.map((line) => `They changed: ${line}`),
        ...merged.conflicts
      ];
      this.#merged();
    } catch (error) {
      this.trouble = sentence(error);
    }
  };
}
