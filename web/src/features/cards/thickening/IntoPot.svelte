<script lang="ts">
  import Field from '../../../ui/Field.svelte';
  import { untrack } from 'svelte';
  import { figure } from '../../../lib/spoon';
  import Sheet from '../../../ui/Sheet.svelte';
  import type { Pot } from '../../../lib/lines';
  import RecordFoot from '../../../ui/impact/RecordFoot.svelte';
  import { Recording, type Change } from '../../../ui/impact/recording.svelte';
  import type { Bench, Option } from './bench.svelte';

  /** Puts a thickener from the bench into the pot: its line, the fat's line, and the steps. */
  let {
    pot,
    option,
    bench,
    onclose
  }: { pot: Pot; option: Option; bench: Bench; onclose: () => void } = $props();

  const recording = new Recording();
  let product = $state(untrack(() => option.candidates[0]?.id ?? ''));
  const fat = $derived(bench.words.data?.fats.find((each) => each.id === bench.fat));
  const fatName = $derived(fat?.name ?? bench.fat);

  const change = $derived.by((): Change | null => {
    if (!product) return null;
    const grams = Number((option.flour ?? option.grams).toFixed(1));
    return {
      change: 'thickening',
      preparation: pot.preparation.id,
      product,
      grams,
      minutes: bench.minutes || null,
      fat: option.fat && fat ? fat.item : null,
      fat_grams: option.fat && fat ? Number(option.fat.toFixed(1)) : null
    };
  });

  $effect(() => recording.preview(change));

  async function record() {
    if (change && (await recording.record(change, pot.version))) onclose();
  }
</script>

<Sheet bind:open={() => true, onclose} title="{option.name} into {pot.preparation.name}">
  <div class="grid gap-3">
    <Field label="From the larder">
      <select class="field" bind:value={product}>
        {#each option.candidates as candidate (candidate.id)}
          <option value={candidate.id}>{candidate.name}</option>
        {/each}
      </select>
    </Field>
    <p>
      {#if option.flour !== null}
        {figure(option.flour)} g of it with {figure(option.fat ?? 0)} g of {fatName}.
      {:else}
        {figure(option.grams)} g of it, near the end.
      {/if}
      The steps are added to the method.
    </p>
  </div>
  {#snippet foot()}
    <RecordFoot {recording} disabled={change === null} onrecord={record} />
  {/snippet}
</Sheet>
