<script lang="ts">
  import { answer, api } from '../api/client';
  import ErrorText from '../ui/ErrorText.svelte';

  /** Says that the kitchen is made up, and throws it away in one tap. */
  let error = $state<unknown>(null);

  async function throwAway() {
    try {
      await answer(api.DELETE('/api/v1/kitchen/made-up'));
      location.assign('/');
    } catch (refused) {
      error = refused;
    }
  }
</script>

<div class="flex flex-wrap items-center gap-x-4 bg-ladle px-5 text-on-ladle" data-made-up>
  <p>A made-up kitchen, to look around in. Nothing that you do here is kept.</p>
  <button
    type="button"
    class="min-h-11 font-strong underline underline-offset-4"
    onclick={throwAway}
  >
    Throw it away and begin my own
  </button>
  <ErrorText {error} />
</div>
