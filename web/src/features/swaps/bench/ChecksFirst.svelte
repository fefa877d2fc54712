<script lang="ts">
  import type { Schema } from '../../../api/client';
  import PotMark from '../../../ui/marks/PotMark.svelte';
  import { p } from '../../../app/routes';

  type Way = Schema['CheckFirstOut'];

  /** Ways that end in the reading of a label, which need fewer moves than a swap. */
  let { checks }: { checks: Way[] } = $props();

  /** Ways that wait for the same labels stand together. */
  const groups = $derived.by(() => {
    const found: Record<string, Way[]> = {};
    for (const way of checks) (found[JSON.stringify(way.checks)] ??= []).push(way);
    return Object.entries(found).map(([key, ways]) => ({
      key,
      checks: ways[0]?.checks ?? [],
      swaps: ways.map((way) => way.swaps)
    }));
  });
</script>

{#if checks.length > 0}
  <section class="mt-3 mb-2 border-l-6 border-clay bg-sheet px-4 py-1.5" aria-labelledby="checks">
    <h2 id="checks" class="text-lead text-clay">Fewer swaps, if a label says free</h2>
    <ul>
      {#each groups as { key, checks: labels, swaps } (key)}
        <li class="flex flex-wrap items-center gap-x-2 py-1">
          {#each labels as check (check.product.id)}
            <span class="inline-flex flex-wrap items-center gap-1.5">
              <PotMark level="unchecked" decorative />
              Read
              <a
                class="font-strong underline underline-offset-4"
                href={p('/larder/:id', { params: { id: check.product.id } })}
                >{check.product.name}</a
              >
              for {check.flags.join(', ').toLowerCase()}.
            </span>
          {/each}
          {#if swaps.some((entries) => entries.length === 0)}
            <span class="text-soft">If it is free of it, nothing has to be swapped.</span>
          {:else}
            <details class="text-soft">
              <summary class="min-h-11 cursor-pointer py-2.5 underline underline-offset-4">
                Then {swaps[0]?.length} swaps{swaps.length > 1 ? `, ${swaps.length} ways` : ''}
              </summary>
              <ul>
                {#each swaps as entries (entries.join())}<li>{entries.join('; ')}.</li>{/each}
              </ul>
            </details>
          {/if}
        </li>
      {/each}
    </ul>
  </section>
{/if}
