<script lang="ts">
  import Act from '../parts/Act.svelte';
  import type { Bench } from './bench.svelte';

  /** The ways to the plans that are not shown. */
  let { bench }: { bench: Bench } = $props();
</script>

{#if bench.pinned.length === 2}
  <div class="mt-3"><Act onclick={() => (bench.pinned = [])}>Show all plans again</Act></div>
{:else if bench.further || bench.from > 0}
  <div class="mt-3 flex gap-3">
    {#if bench.from > 0}<Act onclick={() => bench.turnBack()}>Plans before</Act>{/if}
    {#if bench.further}<Act onclick={() => bench.turn()}>Further plans</Act>{/if}
  </div>
{/if}
