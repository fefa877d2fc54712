import { createMutation } from '@tanstack/svelte-query';
import { announcements } from '../app/announce.svelte';
import { askAgain, queries, type Part } from './queries';

interface Ways<Input, Done> {
  /** What is announced once it stands. */
  says?: (done: Done, input: Input) => string;
  /** What it reaches on the screen. */
  reaches?: Part;
}

/** A write: busy while it is on its way, with the reason where it was refused. */
export class Write<Input, Done> {
  readonly #mutation;

  constructor(send: (input: Input) => Promise<Done>, { says, reaches }: Ways<Input, Done> = {}) {
    this.#mutation = createMutation(
      () => ({
        mutationFn: send,
        onSuccess: (done: Done, input: Input) => {
          if (says) announcements.say(says(done, input));
          return askAgain(reaches);
        }
      }),
      () => queries
    );
  }

  get busy(): boolean {
    return this.#mutation.isPending;
  }

  get error(): unknown {
    return this.#mutation.error;
  }

  /** Sends it; what was done, or null where it was refused: `error` then says why. */
  async send(input: Input): Promise<Done | null> {
    try {
      return await this.#mutation.mutateAsync(input);
    } catch {
      return null;
    }
  }

  /** Why it was refused counts no more. */
  forget() {
    this.#mutation.reset();
  }
}
