<script lang="ts">
  import type { Bench } from './bench.svelte';

  /** The liquid, what will happen to it, and the roux if it is to be one. */
  let { bench }: { bench: Bench } = $props();

  const fats = $derived(bench.words.data?.fats ?? []);
</script>

<div class="mt-3 flex flex-wrap items-end gap-4">
  <label class="block w-32">
    <span class="text-soft">Litres</span>
    <input class="field amount" type="number" min="0.01" step="any" bind:value={bench.litres} />
  </label>
  <label class="block w-44">
    <span class="text-soft">Flour in a litre already, g</span>
    <input class="field amount" type="number" min="0" step="any" bind:value={bench.already} />
  </label>
  <label class="block w-40">
    <span class="text-soft">Boiling time, min</span>
    <input class="field amount" type="number" min="0" step="any" bind:value={bench.minutes} />
  </label>
  <label class="block w-36">
    <span class="text-soft">Roux is</span>
    <select class="field" bind:value={bench.colour}>
      {#each bench.words.data?.colours ?? ['white'] as colour (colour)}
        <option value={colour}>{colour}</option>
      {/each}
    </select>
  </label>
  <label class="block w-80">
    <span class="text-soft">with</span>
    <select class="field" bind:value={bench.fat}>
      {#each fats as fat (fat.id)}<option value={fat.id}>{fat.name}</option>{/each}
      {#if !fats.some((fat) => fat.id === bench.fat)}
        <option value={bench.fat}>{bench.fat}</option>
      {/if}
    </select>
  </label>
  <label class="flex min-h-11 items-center gap-2">
    <input type="checkbox" class="size-5" bind:checked={bench.equal} />equal weights
  </label>
  <label class="flex min-h-11 items-center gap-2">
    <input type="checkbox" class="size-5" bind:checked={bench.sour} />it is sour
  </label>
  <label class="flex min-h-11 items-center gap-2">
    <input type="checkbox" class="size-5" bind:checked={bench.milk} />milk or cream in it
  </label>
</div>
