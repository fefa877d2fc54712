<script lang="ts">
  import type { Schema } from '../../../api/client';
  import Spoon from '../../../ui/Spoon.svelte';
  import { figure } from '../../../lib/spoon';

  /** How thick a pot will be: hot, lukewarm, and after it was frozen. */
  let { thickness }: { thickness: Schema['ThicknessOut'] } = $props();

  const hot = $derived(thickness.hot);
  const range = $derived(
    hot.low_name === hot.high_name ? '' : `from “${hot.low_name}” to “${hot.high_name}”`
  );
</script>

<div class="flex items-start gap-3" data-thickness={hot.place}>
  <Spoon stand={hot} />
  <div class="leading-snug">
    <p>
      {thickness.at_least ? 'At least: ' : ''}<b class="font-strong">{hot.name}</b>
    </p>
    <p class="text-base text-soft">
      as {figure(hot.grams_per_l)} g flour in a litre{range ? `, ${range}` : ''}; then the spoon
      test
    </p>
    {#if thickness.lukewarm.place !== hot.place}
      <p class="text-base text-soft">lukewarm: {thickness.lukewarm.name}</p>
    {/if}
    {#if thickness.thawed.place !== hot.place}
      <p class="text-base text-soft">frozen and thawed: {thickness.thawed.name}</p>
    {/if}
  </div>
</div>
{#each thickness.effects as effect (effect)}
  <p class="mt-1 text-base">{effect}</p>
{/each}
