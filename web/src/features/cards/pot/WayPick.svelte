<script lang="ts">
  import RecordFoot from '../../../ui/impact/RecordFoot.svelte';
  import { Recording, type Change } from '../../../ui/impact/recording.svelte';
  import { p } from '../../../app/routes';
  import type { Pot } from '../../../lib/lines';

  /** The ways of a pot: which one is in use, and taking another one into use. */
  let { pot }: { pot: Pot } = $props();

  const recording = new Recording();
  const made = $derived(pot.preparation);
  let wanted = $state('');
  const change = $derived.by((): Change | null =>
    wanted === '' ? null : { change: 'way', preparation: made.id, way: wanted }
  );

  $effect(() => recording.preview(change));

  async function record() {
    if (change && (await recording.record(change, pot.version))) wanted = '';
  }
</script>

<section class="mb-2 border-b border-rule pb-2" aria-label="Ways" data-ways>
  <p>
    Made <b class="font-strong">{made.way || 'as the card says'}</b>. Also known:
    {#each made.ways ?? [] as way, index (way.name)}
      {index > 0 ? ', ' : ''}<button
        type="button"
        class="min-h-11 underline underline-offset-4"
        aria-pressed={wanted === way.name}
        onclick={() => (wanted = wanted === way.name ? '' : way.name)}>{way.name}</button
      >
    {/each}
    ·
    <a class="underline" href={p('/pots/:id/compare', { params: { id: made.id } })}>
      side by side</a
    >
  </p>
  {#if change}
    <p class="mt-1 text-soft">To take “{wanted}” into use:</p>
    <RecordFoot {recording} onrecord={record} />
  {/if}
</section>
