<script lang="ts">
  import type { Merging } from './merging.svelte';
  import type { Presence } from './presence.svelte';

  /** Who else is on this card, and what came of putting both people's changes together. */
  let { merging, presence }: { merging: Merging; presence: Presence } = $props();
</script>

{#if presence.others.length > 0}
  <p class="border-l-4 border-ladle pl-3" role="status" data-others>
    {presence.others.join(', ')}
    {presence.others.length === 1 ? 'has' : 'have'} this card open as well.
  </p>
{/if}
{#if merging.newer}
  <p class="border-l-4 border-clay pl-3" data-newer>
    Somebody recorded a newer version of this card while you were writing.
  </p>
{/if}
{#each merging.told as line (line)}<p class="text-clay" data-conflict>{line}</p>{/each}
{#if merging.trouble}<p class="text-clay">{merging.trouble}</p>{/if}
