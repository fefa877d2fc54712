<script lang="ts">
  import type { Bench } from './bench.svelte';

  /** What a plan may not do. */
  let { bench }: { bench: Bench } = $props();

  const switches = [
    ['keep_colour', 'keep the colour'],
    ['keep_thickness', 'as thick as now'],
    ['freezes', 'can be frozen'],
    ['products_only', 'bought goods only']
  ] as const;
</script>

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
</div>
