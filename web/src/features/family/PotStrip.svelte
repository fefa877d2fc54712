<script lang="ts">
  import { asWords, OWN_TOOLS } from '../../lib/levels';
  import PotMark from '../../ui/marks/PotMark.svelte';
  import type { Board, Strip } from './board.svelte';
  import { selection } from '../../lib/selection.svelte';
  import { verdictColour, verdictWord } from '../../ui/marks/verdicts';

  let { board, strip }: { board: Board; strip: Strip } = $props();

  const chosen = $derived(selection.pot === strip.id);
  const kin = $derived(board.pour.kin.has(strip.id));
  const away = $derived(board.selected !== undefined && !chosen && !kin);
  const verdict = $derived(board.verdict(strip));
</script>

<button
  type="button"
  data-strip={strip.id}
  aria-pressed={chosen}
  onclick={() => (selection.pot = chosen ? null : strip.id)}
  class={[
    'grid min-h-11 w-full focus-visible:-outline-offset-3 grid-cols-[minmax(0,1fr)_minmax(20px,auto)] items-center gap-2 border-y px-2.5 py-1 text-left',
    chosen
      ? 'border-ladle bg-ladle text-on-ladle'
      : kin
        ? 'border-ladle bg-ladle-pale'
        : away
          ? 'border-rule bg-porcelain text-soft'
          : 'border-rule bg-sheet'
  ]}
>
  <span class={['strip-name', away && 'font-book']}>
    {strip.name}
    {#if strip.variant_of}
      <span class={['block font-sans text-base font-normal', !chosen && 'text-soft']}>
        variant of {asWords(strip.variant_of)}
      </span>
    {/if}
    {#if board.byTools(strip)}
      <span class={['block font-sans text-base font-normal', !chosen && 'text-soft']}>
        by {OWN_TOOLS}
      </span>
    {/if}
  </span>
  {#if verdict}
    <span class={['text-right text-base leading-tight', !chosen && verdictColour(verdict)]}>
      {verdictWord(verdict)}
    </span>
  {:else}
    <!-- The mark is there before a flag is asked for, so that asking only turns it. -->
    <span
      class={[
        !board.ask && 'invisible',
        chosen && '[--clay:#20242c] [--edge:#20242c] [--enamel:#20242c]'
      ]}
    >
      <PotMark level={board.level(strip)} decorative={!board.ask} />
    </span>
  {/if}
</button>
