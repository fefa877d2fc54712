<script lang="ts">
  import type { MenuBench } from './menu.svelte';

  /** What one more pot, one purchase and one label would do for the menu. */
  let { bench }: { bench: MenuBench } = $props();
</script>

{#if bench.gains || bench.looksForGains}
  <h3 class="mt-5 text-lead">What one thing more would buy</h3>
  {#if bench.gains === null}
    <p class="text-soft">Looking at one more pot, one purchase and one label.</p>
  {:else if bench.gains.length === 0}
    <p class="text-soft">
      Neither one more pot nor a purchase nor a label that was tried would serve more.
    </p>
  {:else}
    <ul>
      {#each bench.gains as gain (gain.kind)}
        <li class="border-b border-rule py-1.5">
          {gain.sentence}
          {#if gain.subject}
            <a class="underline underline-offset-4" href="/larder/{gain.subject.id}"
              >Open its label</a
            >
          {/if}
        </li>
      {/each}
    </ul>
  {/if}
{/if}
