<script lang="ts">
  import type { Level, Schema } from '../../api/client';
  import PotMark from '../marks/PotMark.svelte';
  import { levelWord } from '../../lib/levels';
  import WayText from './WayText.svelte';

  /** Flags of one level with the ways that give it; a tap on it unfolds what gives less. */
  let { entry, side, lit }: { entry: Schema['CarriedOut']; side: boolean; lit: boolean } = $props();

  const NAMED = 3;
  const many = $derived(entry.names.length > NAMED);
  const beside = $derived(side && !many);
  const LOWER: Level[] = ['unchecked', 'may_contain'];
  const folded = $derived(
    LOWER.map((level) => ({
      level,
      ways: entry.lower.filter((way) => way.level === level)
    })).filter((fold) => fold.ways.length > 0)
  );
  const columns = $derived(
    beside
      ? 'grid-cols-[28px_136px_minmax(0,1fr)] max-desk:grid-cols-[28px_minmax(0,1fr)]'
      : 'grid-cols-[28px_minmax(0,1fr)]'
  );
  const under = $derived(beside ? 'col-start-3 max-desk:col-start-2' : 'col-start-2');
</script>

{#snippet told()}
  <PotMark level={entry.level} />
  <b class="font-strong">
    {many ? `${entry.flags.length} flags ${levelWord(entry.level)}` : entry.names.join(', ')}
  </b>
  <div class={['text-soft', under]}>
    {#each entry.ways as way (way.names.join() + way.via.join())}
      <WayText {way} />
    {/each}
    {#if many}<p class="mt-0.5">{entry.names.join(', ')}</p>{/if}
    {#if folded.length > 0}
      <p class="text-ink underline decoration-edge underline-offset-3">
        and {folded.map((fold) => `${fold.ways.length} ${levelWord(fold.level)}`).join(', ')}
      </p>
    {/if}
  </div>
{/snippet}

<li class={['py-1 leading-[1.27]', lit && 'bg-ladle-pale']} data-carries={entry.flags.join(' ')}>
  {#if folded.length > 0}
    <details>
      <summary class={['grid min-h-11 cursor-pointer gap-x-1', columns]}>{@render told()}</summary>
      <div class={['grid gap-x-1 text-soft', columns]}>
        <div class={under}>
          {#each folded as fold (fold.level)}
            {#each fold.ways as way (way.names.join() + way.via.join())}
              <WayText {way} aside={levelWord(fold.level)} />
            {/each}
          {/each}
        </div>
      </div>
    </details>
  {:else}
    <div class={['grid gap-x-1', columns]}>{@render told()}</div>
  {/if}
</li>
