import { createMutation } from '@tanstack/svelte-query';
import { announcements } from './announce.svelte';
import { Refused } from './client';
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
  /** Why it was refused. The mutation's own error comes a moment after `send` has answered. */
  error = $state.raw<unknown>(null);

  constructor(send: (input: Input) => Promise<Done>, { says, reaches }: Ways<Input, Done> = {}) {
    this.#mutation = createMutation(
      () => ({
        mutationFn: send,
        onSuccess: (done: Done, input: Input) => {
          if (says) announcements.say(says(done, input));
          return askAgain(reaches);
        },
        onError: (refusal: unknown) => {
          // Somebody else was quicker: what stands now is to be seen beside what was meant.
          if (refusal instanceof Refused && refusal.current) void askAgain(reaches);
        }
      }),
      () => queries
    );
  }

  get busy(): boolean {
    return this.#mutation.isPending;
  }

  /** Sends it; what was done, or null where it was refused: `error` then says why. */
  async send(input: Input): Promise<Done | null> {
    this.error = null;
    try {
      return await this.#mutation.mutateAsync(input);
    } catch (refusal) {
      this.error = refusal;
      return null;
    }
  }

  /** Why it was refused counts no more. */
  forget() {
    this.error = null;
  }
}
