import { announcements } from '../../../api/announce.svelte';

/** One step's time as it runs down, in the page. */
export class Timer {
  left = $state(0);
  running = $state(false);
  #until = 0;
  #tick: ReturnType<typeof setInterval> | undefined;

  constructor(
    readonly minutes: number,
    private readonly what: string
  ) {
    this.left = Math.round(minutes * 60);
  }

  /** Minutes and seconds that are left. */
  shown = $derived(
    `${Math.floor(this.left / 60)}:${String(Math.floor(this.left % 60)).padStart(2, '0')}`
  );

  start() {
    if (this.left <= 0) this.left = Math.round(this.minutes * 60);
    this.#until = Date.now() + this.left * 1000;
    this.running = true;
    this.#tick = setInterval(() => this.#look(), 250);
  }

  hold() {
    clearInterval(this.#tick);
    this.running = false;
  }

  again() {
    this.hold();
    this.left = Math.round(this.minutes * 60);
  }

  /** By the clock, not by counting: a sleeping tablet skips ticks. */
  #look() {
    this.left = Math.max(0, (this.#until - Date.now()) / 1000);
    if (this.left > 0) return;
    this.hold();
    announcements.say(`Time is up: ${this.what}`);
  }
}
