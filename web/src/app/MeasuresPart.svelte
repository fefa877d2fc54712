<script lang="ts">
  import Field from '../ui/Field.svelte';
  import Check from '../ui/Check.svelte';
  import type { Schema } from '../api/client';
  import AmountBox from '../ui/amount/AmountBox.svelte';
  import Button from '../ui/Button.svelte';

  /** How a kitchen measures: its own ladle and scoop, its spoons, and what its scale shows. */
  let {
    own = $bindable()
  }: {
    own: Pick<
      Schema['KitchenOut'],
      'measures' | 'spoons' | 'weigh_to_g' | 'measure_to_ml' | 'so2_by_amount'
    >;
  } = $props();

  const SPOONS = [
    ['us', 'US cups and spoons'],
    ['metric', 'metric: cup 250 ml, spoon 15 ml'],
    ['uk', 'metric spoons, UK pints'],
    ['au', 'Australian: spoon 20 ml']
  ] as const;
</script>

<fieldset>
  <legend class="text-soft">The kitchen's own measures</legend>
  {#each own.measures as measure, index (index)}
    <div class="mt-2 grid grid-cols-[minmax(0,1fr)_150px_auto] gap-2">
      <input
        class="field"
        maxlength="40"
        aria-label="Name of measure {index + 1}"
        bind:value={measure.name}
      />
      <AmountBox
        quantity={measure.quantity}
        unit={measure.unit}
        label="Size of measure {index + 1}"
        onset={(quantity, unit) => {
          measure.quantity = quantity;
          measure.unit = unit;
        }}
      />
      <Button onclick={() => (own.measures = own.measures.filter((_, n) => n !== index))}>
        Remove
      </Button>
    </div>
  {/each}
  <div class="mt-2">
    <Button
      onclick={() => (own.measures = [...own.measures, { name: '', quantity: 0, unit: 'ml' }])}
    >
      Add a measure
    </Button>
  </div>
</fieldset>
<div class="grid grid-cols-2 items-end gap-3">
  <label class="col-span-2 block">
    <span class="text-soft">A bare cup or spoon is</span>
    <select class="field" bind:value={own.spoons}>
      {#each SPOONS as [id, word] (id)}<option value={id}>{word}</option>{/each}
    </select>
  </label>
  <Field label="Weigh to the nearest, g">
    <input class="field amount" type="number" min="0.1" step="any" bind:value={own.weigh_to_g} />
  </Field>
  <Field label="Measure to the nearest, ml">
    <input class="field amount" type="number" min="0.1" step="any" bind:value={own.measure_to_ml} />
  </Field>
</div>
<Check bind:checked={own.so2_by_amount}
  >Leave sulphites out of the declaration where their amount is well known and under the limit</Check
>
