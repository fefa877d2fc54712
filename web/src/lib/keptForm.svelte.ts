import { KeptDraft } from './keptDraft';

/** The fields of a small form, kept in this browser from letter to letter until they are sent. */
export class KeptForm<T extends object> {
  fields = $state() as T;
  /** Whether what stands here was typed before the page was opened. */
  recovered = $state(false);
  readonly #kept: KeptDraft<T>;
  readonly #initial: T;

  /** `kind` and `id` tell what is written; `initial` is what the form begins with. */
  constructor(kind: string, id: string, initial: T) {
    this.#initial = initial;
    this.#kept = new KeptDraft<T>(kind, id);
    const found = this.#kept.read();
    this.fields = { ...structuredClone(initial), ...found };
    this.recovered = found !== null;
    $effect(() => {
      const now = $state.snapshot(this.fields) as T;
      if (JSON.stringify(now) === JSON.stringify(this.#initial)) this.#kept.forget();
      else this.#kept.keep(now);
    });
  }

  /** Begins anew: it was sent, or given up. */
  clear() {
    Object.assign(this.fields, structuredClone(this.#initial));
    this.recovered = false;
    // At once: the form may be left before an effect runs.
    this.#kept.forget();
  }
}
