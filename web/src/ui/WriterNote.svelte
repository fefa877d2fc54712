<script lang="ts">
  import { currentUser } from '../api/currentUser.svelte';

  /** Under whose name a form is recorded, and the way to change it. */
</script>

<p class="flex min-h-11 flex-wrap items-center gap-x-3" data-writer>
  {#if currentUser.initials}
    <span class="text-soft">Recorded as {currentUser.initials}.</span>
  {:else}
    <span class="text-clay">Nobody has said who is writing.</span>
  {/if}
  <button
    type="button"
    class="min-h-11 underline underline-offset-4"
    onclick={() => (currentUser.asking = true)}
  >
    {currentUser.initials ? 'Somebody else' : 'Say who you are'}
  </button>
</p>
