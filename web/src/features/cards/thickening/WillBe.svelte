<script lang="ts">
  import Field from '../../../ui/Field.svelte';
  import { answer, api, type Schema } from '../../../api/client';
  import { AsyncState } from '../../../lib/asyncState.svelte';
  import Spoon from '../../../ui/Spoon.svelte';
  import { figure } from '../../../lib/spoon';
  import type { Bench } from './bench.svelte';

  /** The bench the other way round: what so many grams will make of the liquid. */
  let { bench }: { bench: Bench } = $props();

  let thickener = $state('wheat-flour');
  let grams = $state(60);
  const asked = new AsyncState<Schema['StandOut']>();
  const stand = $derived(asked.value);

  $effect(() => {
    const body = { litres: bench.litres, grams: { [thickener]: grams }, colour: bench.colour };
    if (!(grams > 0) || !(bench.litres > 0)) asked.clear();
    else asked.ask(() => answer(api.POST('/api/v1/thickening/will-be', { body })));
  });
</script>

<section class="mt-5 border-t border-rule pt-3" aria-labelledby="will-be" data-will-be>
  <h2 id="will-be" class="text-lead">What will it be?</h2>
  <div class="mt-1 flex flex-wrap items-end gap-4">
    <Field label="Grams" class="w-32">
      <input class="field amount" type="number" min="0" step="any" bind:value={grams} />
    </Field>
    <Field label="of" class="w-64">
      <select class="field" bind:value={thickener}>
        {#each bench.words.data?.thickeners ?? [] as each (each.id)}
          <option value={each.id}>{each.name}</option>
        {/each}
      </select>
    </Field>
    {#if stand}
      <div class="flex items-center gap-3">
        <Spoon {stand} />
        <p aria-live="polite">
          in {figure(bench.litres)} l: <b class="font-strong">{stand.name}</b>
          {#if stand.low_name !== stand.high_name}
            <span class="block text-base text-soft">
              from “{stand.low_name}” to “{stand.high_name}”
            </span>
          {/if}
        </p>
      </div>
    {/if}
  </div>
</section>
