<script lang="ts">
  import type { Schema } from '../api/client';
  import PotMark from '../marks/PotMark.svelte';
  import { grouped } from './carries';
  import WayText from './WayText.svelte';

  /** What a pot carries, each flag with the ways it came. `ask` lights one flag up. */
  let {
    carries,
    ask = null,
    side = false
  }: { carries: Schema['CarriedOut'][]; ask?: string | null; side?: boolean } = $props();

  const MOST = 3;
  const shown = $derived(grouped(carries));
</script>

{#if carries.length === 0}
  <p>Carries no flag of the vocabulary.</p>
{/if}
<ul class="grid gap-2">
  {#each shown as entry (entry.flags.join())}
    <li
      class={[
        'grid leading-[1.27]',
        side
          ? 'grid-cols-[28px_112px_minmax(0,1fr)] gap-x-1 py-1'
          : 'grid-cols-[26px_minmax(0,1fr)]',
        ask !== null && entry.flags.includes(ask) && 'bg-ladle-pale'
      ]}
    >
      <PotMark level={entry.level} />
      <b class="font-[650]">{entry.name}</b>
      <div class={['text-note text-soft', !side && 'col-start-2']}>
        {#each entry.ways.slice(0, MOST) as way (way.source + way.via.join())}
          <WayText {way} />
        {/each}
        {#if entry.ways.length > MOST}
          <p>and {entry.ways.length - MOST} more ways</p>
        {/if}
      </div>
    </li>
  {/each}
</ul>
