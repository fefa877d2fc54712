<script lang="ts">
  import Check from '../../../ui/Check.svelte';
  import type { LabelReading } from './labelReading.svelte';

  /** What has to be looked at in words that came from a photograph; a person's tick ends it. */
  let { reading }: { reading: LabelReading } = $props();

  const found = $derived(reading.picture);
</script>

{#if found}
  <div class="mt-2 border-l-4 border-clay bg-clay-pale px-3 py-1" data-compared>
    {#if found.uncertain.length > 0}
      <p>
        Look at {found.uncertain.length === 1 ? 'this word' : 'these words'} on the jar:
        <b class="font-[650]">{[...new Set(found.uncertain.map((word) => word.text))].join(', ')}</b
        >
      </p>
    {/if}
    {#each found.questions as question (question)}<p>{question}</p>{/each}
    <Check bind:checked={reading.compared}>I compared it with the jar</Check>
  </div>
{/if}
