<script lang="ts">
  import type { Schema } from '../api/client';
  import PotMark from '../marks/PotMark.svelte';
  import { p } from '../routes';

  /** Ways that end in the reading of a label, which need fewer moves than a swap. */
  let { checks }: { checks: Schema['CheckFirstOut'][] } = $props();
</script>

{#if checks.length > 0}
  <section class="mt-3 border-l-[6px] border-clay bg-sheet px-4 py-2" aria-labelledby="checks">
    <h2 id="checks" class="text-[18px] text-clay">Cheaper, if a label says so</h2>
    <ul>
      {#each checks as way, at (at)}
        <li class="py-1">
          {#each way.checks as check (check.product.id)}
            <span class="inline-flex flex-wrap items-center gap-1.5">
              <PotMark level="unchecked" small decorative />
              Read
              <a
                class="font-[650] underline underline-offset-4"
                href={p('/larder/:id', { params: { id: check.product.id } })}
                >{check.product.name}</a
              >
              for {check.flags.join(', ').toLowerCase()}.
            </span>
          {/each}
          {#if way.swaps.length > 0}
            <span class="text-soft">Then: {way.swaps.join('; ')}.</span>
          {:else}
            <span class="text-soft">If it is free of it, nothing has to be swapped.</span>
          {/if}
        </li>
      {/each}
    </ul>
  </section>
{/if}
