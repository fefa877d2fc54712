<script lang="ts">
  import { answer, api, type Schema } from '../../../api/client';
  import { AsyncState } from '../../../lib/asyncState.svelte';
  import Spoon from '../figures/Spoon.svelte';
  import { figure } from '../figures/spoon';
  import type { Bench } from './bench.svelte';

  /** The bench the other way round: what so many grams will make of the liquid. */
  let { bench }: { bench: Bench } = $props();

  let thickener = $state('wheat-flour');
  let grams = $state(60);
  const asked = new AsyncState<Schema['StandOut']>();
  const stand = $derived(asked.value);

  $effect(() => {
    const body = { litres: bench.litres, grams: { [thickener]: grams }, colour: bench.colour };
    if (!(grams > 0) || !(bench.litres > 0)) return;
    void asked.ask(() => answer(api.POST('/api/v1/thickening/will-be', { body })));
  });
</script>

<section class="mt-5 border-t border-rule pt-3" aria-labelledby="will-be" data-will-be>
  <h2 id="will-be" class="text-[18px]">What will it be?</h2>
  <div class="mt-1 flex flex-wrap items-end gap-4">
    <label class="block w-32">
      <span class="text-soft">Grams</span>
      <input class="field amount" type="number" min="0" step="any" bind:value={grams} />
    </label>
    <label class="block w-64">
      <span class="text-soft">of</span>
      <select class="field" bind:value={thickener}>
        {#each bench.words.data?.thickeners ?? [] as each (each.id)}
          <option value={each.id}>{each.name}</option>
        {/each}
      </select>
    </label>
    {#if stand}
      <div class="flex items-center gap-3">
        <Spoon {stand} />
        <p aria-live="polite">
          in {figure(bench.litres)} l: <b class="font-[650]">{stand.name}</b>
          {#if stand.low_name !== stand.high_name}
            <span class="block text-note text-soft">
              from “{stand.low_name}” to “{stand.high_name}”
            </span>
          {/if}
        </p>
      </div>
    {/if}
  </div>
</section>
