<script lang="ts">
  import { asWords, levelWord } from '../../../lib/levels';
  import type { Run } from './labelReading.svelte';

  /** The text as it was read, with the words that led to a proposal, or are not known, marked in it. */
  let { runs }: { runs: Run[] } = $props();

  const UNDER = {
    contains: 'border-b-3 border-enamel',
    may_contain: 'border-b-3 border-dotted border-enamel',
    unchecked: 'border-b-3 border-dashed border-clay',
    free: ''
  } as const;
</script>

<p class="mt-2 border-l-4 border-rule bg-sheet px-3 py-2 whitespace-pre-wrap" data-marked>
  {#each runs as run, index (index)}{#if run.level}<mark
        class={['bg-transparent pb-px text-ink', UNDER[run.level]]}
        title="{run.flags.map(asWords).join(', ')}: {levelWord(run.level)}">{run.text}</mark
      >{:else if run.strange}<mark
        class="border-b-3 border-double border-clay bg-transparent pb-px text-clay"
        title="not known here">{run.text}</mark
      >{:else}{run.text}{/if}{/each}
</p>
