<script lang="ts">
  import type { Schema } from '../../../api/client';
  import PotMark from '../../../ui/marks/PotMark.svelte';
  import { grouped } from './carries';
  import WayText from './WayText.svelte';

  /**
   * What a pot carries, each flag with the ways it came: the surest and shortest first, `most` of
   * them. `ask` lights one flag up.
   */
  let {
    carries,
    ask = null,
    side = false,
    most = 3
  }: {
    carries: Schema['CarriedOut'][];
    ask?: string | null;
    side?: boolean;
    most?: number;
  } = $props();

  const NAMED = 3;
  const shown = $derived(grouped(carries));
</script>

{#if carries.length === 0}
  <p>Carries none of the flags that are kept here.</p>
{/if}
<ul class="grid gap-2">
  {#each shown as entry (entry.flags.join())}
    {@const many = entry.names.length > NAMED}
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
      <b class="font-[650]">{many ? `${entry.names.length} flags` : entry.names.join(', ')}</b>
      <div class={['text-base text-soft', !side && 'col-start-2']}>
        {#each entry.ways.slice(0, most) as way (way.source + way.via.join())}
          <WayText {way} level={entry.level} />
        {/each}
        {#if entry.ways.length > most}
          <p>
            and {entry.ways.length - most} more {entry.ways.length - most === 1 ? 'way' : 'ways'}
          </p>
        {/if}
        {#if many}<p class="mt-1">{entry.names.join(', ')}</p>{/if}
      </div>
    </li>
  {/each}
</ul>
