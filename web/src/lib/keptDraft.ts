/** Something that is being written, kept in this browser until it is recorded or given up. */
export class KeptDraft<T> {
  #key: string;

  /** `kind` and `id` tell what is written; without an id it is something new. */
  constructor(kind: string, id: string) {
    this.#key = `yellow-ladle-draft:${kind}:${id || 'new'}`;
  }

  keep(draft: T) {
    try {
      localStorage.setItem(this.#key, JSON.stringify(draft));
    } catch {
      // A full store keeps what it has; the page still holds the draft.
    }
  }

  read(): T | null {
    try {
      return JSON.parse(localStorage.getItem(this.#key) ?? 'null') as T | null;
    } catch {
      return null;
    }
  }

  forget() {
    localStorage.removeItem(this.#key);
  }
}
