<script lang="ts">
  import Field from '../../../ui/Field.svelte';
  import Check from '../../../ui/Check.svelte';
  import type { Bench } from './bench.svelte';

  /** The liquid, what will happen to it, and the roux if it is to be one. */
  let { bench }: { bench: Bench } = $props();

  const fats = $derived(bench.words.data?.fats ?? []);
</script>

<div class="mt-3 flex flex-wrap items-end gap-4">
  <Field label="Litres" class="w-32">
    <input class="field amount" type="number" min="0.01" step="any" bind:value={bench.litres} />
  </Field>
  <Field label="Flour in a litre already, g" class="w-44">
    <input class="field amount" type="number" min="0" step="any" bind:value={bench.already} />
  </Field>
  <Field label="Boiling time, min" class="w-40">
    <input class="field amount" type="number" min="0" step="any" bind:value={bench.minutes} />
  </Field>
  <Field label="Roux is" class="w-36">
    <select class="field" bind:value={bench.colour}>
      {#each bench.words.data?.colours ?? ['white'] as colour (colour)}
        <option value={colour}>{colour}</option>
      {/each}
    </select>
  </Field>
  <Field label="with" class="w-80">
    <select class="field" bind:value={bench.fat}>
      {#each fats as fat (fat.id)}<option value={fat.id}>{fat.name}</option>{/each}
      {#if !fats.some((fat) => fat.id === bench.fat)}
        <option value={bench.fat}>{bench.fat}</option>
      {/if}
    </select>
  </Field>
  <Check bind:checked={bench.equal}>equal weights</Check>
  <Check bind:checked={bench.sour}>it is sour</Check>
  <Check bind:checked={bench.milk}>milk or cream in it</Check>
</div>
