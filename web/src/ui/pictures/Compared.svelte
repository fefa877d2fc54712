<script lang="ts">
  import Check from '../Check.svelte';
  import type { Photograph } from './photograph.svelte';

  /** What has to be looked at in words that came from a photograph; a person's tick ends it. */
  let { photo, thing }: { photo: Photograph; thing: string } = $props();

  const found = $derived(photo.found);
</script>

<div class="mt-2 border-l-4 border-clay bg-clay-pale px-3 py-1" data-compared>
  {#if found}
    {#if found.uncertain.length > 0}
      <p>
        Look at {found.uncertain.length === 1 ? 'this word' : 'these words'} on the {thing}:
        <b class="font-strong"
          >{[...new Set(found.uncertain.map((word) => word.text))].join(', ')}</b
        >
      </p>
    {/if}
    {#each found.questions as question (question)}<p>{question}</p>{/each}
  {/if}
  <Check bind:checked={photo.compared}>I compared it with the {thing}</Check>
</div>
