<script lang="ts">
  import X from '@lucide/svelte/icons/x';
  import { potsQuery } from '../api/queries';
  import type { Bench } from './bench.svelte';

  /** What a plan may not do. */
  let { bench }: { bench: Bench } = $props();
  const pots = potsQuery();
  const dishes = $derived(
    (pots.data?.entries ?? []).filter((pot) => pot.kind === 'dish' && !pot.retired)
  );

  const switches = [
    ['keep_colour', 'keep the colour'],
    ['keep_thickness', 'as thick as now'],
    ['freezes', 'can be frozen'],
    ['products_only', 'bought goods only']
  ] as const;
</script>

{#snippet chip(key: string, words: string)}
  <button
    type="button"
    class="flex min-h-11 items-center gap-1.5 border-b-[3px] border-ladle px-1"
    aria-label="{words}: let go of it"
    onclick={() => bench.free(key)}
  >
    {words}<X size={16} aria-hidden="true" />
  </button>
{/snippet}

<div class="flex flex-wrap items-center gap-x-5 gap-y-1 border-b border-rule pb-2 text-[16px]">
  {#each switches as [key, words] (key)}
    <label class="flex min-h-11 items-center gap-2">
      <input type="checkbox" class="size-5 accent-enamel" bind:checked={bench.limits[key]} />
      {words}
    </label>
  {/each}
  <label class="flex min-h-11 items-center gap-2">
    at most
    <select class="field !w-24" bind:value={bench.limits.most_pots} aria-label="Pots at most">
      <option value={null}>any</option>
      {#each [1, 2, 3, 4, 5, 6] as most (most)}<option value={most}>{most}</option>{/each}
    </select>
    pots
  </label>
  <label class="flex min-h-11 items-center gap-2">
    first
    <select class="field !w-44" bind:value={bench.first} aria-label="What counts most">
      <option value="">nothing new in it</option>
      <option value="fidelity">nearest in taste</option>
      <option value="swaps">fewest swaps</option>
      <option value="pots">fewest pots</option>
      <option value="cost">cheapest goods</option>
    </select>
  </label>
  <label class="flex min-h-11 items-center gap-2">
    together with
    <select
      class="field !w-48"
      value=""
      aria-label="Clear another plate by the same swaps"
      onchange={(event) => {
        const dish = dishes.find((other) => other.id === event.currentTarget.value);
        if (dish) bench.also(dish.id, dish.name);
        event.currentTarget.value = '';
      }}
    >
      <option value="">no other plate</option>
      {#each dishes as dish (dish.id)}<option value={dish.id}>{dish.name}</option>{/each}
    </select>
  </label>
  {#each Object.entries(bench.others) as [item, name] (item)}
    {@render chip(item, `and ${name}`)}
  {/each}
  {#each Object.entries(bench.barred) as [item, name] (item)}
    {@render chip(item, `not ${name}`)}
  {/each}
  {#each Object.entries(bench.kept) as [line, name] (line)}
    {@render chip(line, `keep ${name}`)}
  {/each}
</div>
