const KEPT_AS = 'yellow-ladle-single-keys';

/** Milliseconds around a key in which another one means a scanner, which types without a field. */
const ALONE_MS = 60;

type Act = () => void;

function typing(target: EventTarget | null): boolean {
  return (
    target instanceof HTMLElement &&
    (target.isContentEditable || /^(INPUT|SELECT|TEXTAREA)$/.test(target.tagName))
  );
}

const dialogOpen = () => document.querySelector('[role="dialog"]') !== null;

/**
 * Shortcuts of one key. They act only where the key comes alone, never while somebody types or a
 * sheet is open, and not at all where they are switched off on this device.
 */
class SingleKeys {
  #on = $state(localStorage.getItem(KEPT_AS) !== 'off');
  #acts = new Map<string, Act>();
  #before = -Infinity;
  #waiting: ReturnType<typeof setTimeout> | undefined;

  get on() {
    return this.#on;
  }

  set on(wanted: boolean) {
    this.#on = wanted;
    localStorage.setItem(KEPT_AS, wanted ? 'on' : 'off');
  }

  /** What keys do from now on; the answer takes that back. */
  register(acts: Record<string, Act>): () => void {
    for (const [key, act] of Object.entries(acts)) this.#acts.set(key, act);
    return () => {
      for (const [key, act] of Object.entries(acts)) {
        if (this.#acts.get(key) === act) this.#acts.delete(key);
      }
    };
  }

  handle(event: KeyboardEvent) {
    if (event.key.length > 1) return;
    const apart = event.timeStamp - this.#before >= ALONE_MS;
    this.#before = event.timeStamp;
    clearTimeout(this.#waiting);
    if (!this.#on || !apart || event.repeat) return;
    if (event.ctrlKey || event.metaKey || event.altKey) return;
    if (typing(event.target) || dialogOpen()) return;
    const act = this.#acts.get(event.key);
    if (!act) return;
    event.preventDefault();
    this.#waiting = setTimeout(act, ALONE_MS);
  }
}

export const singleKeys = new SingleKeys();
