import { answer, api } from '../../../api/client';
import { PAGE } from '../../../api/page';

const EVERY = 10_000;

/** Says that this page has a card open, and hears who else has. */
export class Presence {
  others = $state.raw<string[]>([]);
  /** The version that stands now, so that a page learns of another one before it records. */
  standing = $state<number | null>(null);

  constructor(private readonly id: string) {}

  /** Begins; answers how to end. */
  begin(): () => void {
    void this.#say(false);
    const beat = setInterval(() => void this.#say(false), EVERY);
    return () => {
      clearInterval(beat);
      void this.#say(true);
    };
  }

  async #say(leaving: boolean) {
    try {
      const params = { path: { id: this.id } };
      const body = { page: PAGE, leaving };
      const here = await answer(api.POST('/api/v1/cards/{id}/here', { params, body }));
      this.others = here.others;
      this.standing = here.version;
    } catch {
      // A server that is gone is told by whatever is recorded; the card goes on without it.
    }
  }
}
