<script lang="ts">
  import Check from '../../../ui/Check.svelte';
  import X from '@lucide/svelte/icons/x';
  import type { Schema } from '../../../api/client';
  import type { Bench } from './bench.svelte';
  import { CRITERIA } from './criteria';

  /** What a plan may not do. */
  let { bench, kitchen }: { bench: Bench; kitchen: Schema['KitchenOut'] | undefined } = $props();
  const order = $derived(kitchen?.swap_order ?? []);

  const switches = [
    ['keep_colour', 'keep the colour'],
    ['keep_thickness', 'as thick as now'],
    ['freezes', 'can be frozen'],
    ['products_only', 'bought goods only']
  ] as const;

  const set = $derived(
    switches.filter(([key]) => bench.limits[key]).length +
      (bench.limits.most_pots === null ? 0 : 1) +
      (bench.first ? 1 : 0)
  );
</script>

{#snippet chip(key: string, words: string)}
  <button
    type="button"
    class="flex min-h-11 items-center gap-1.5 border-b-3 border-ladle px-1"
    aria-label="{words}: drop it"
    onclick={() => bench.free(key)}
  >
    {words}<X size={16} aria-hidden="true" />
  </button>
{/snippet}

<div class="flex flex-wrap items-center gap-x-5 border-b border-rule text-base">
  <details class="min-w-0">
    <summary class="min-h-11 cursor-pointer py-2.5">
      Limits{set > 0 ? `: ${set} set` : ''}
    </summary>
    <div class="flex flex-wrap items-center gap-x-5 gap-y-1 pb-2">
      {#each switches as [key, words] (key)}
        <Check bind:checked={bench.limits[key]}>{words}</Check>
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
        <select
          class="field !w-60"
          aria-label="What counts most"
          bind:value={() => bench.first ?? order[0] ?? null, (first) => (bench.first = first)}
        >
          {#each order as criterion (criterion)}
            <option value={criterion}>{CRITERIA[criterion]}</option>
          {/each}
        </select>
      </label>
    </div>
  </details>
  {#each Object.entries(bench.barred) as [item, name] (item)}
    {@render chip(item, `not ${name}`)}
  {/each}
  {#each Object.entries(bench.kept) as [line, name] (line)}
    {@render chip(line, `keep ${name}`)}
  {/each}
</div>
