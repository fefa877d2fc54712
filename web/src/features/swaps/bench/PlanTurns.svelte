<script lang="ts">
  import Button from '../../../ui/Button.svelte';
  import type { Bench } from './bench.svelte';

  /** The ways to the plans that are not shown. */
  let { bench }: { bench: Bench } = $props();
</script>

{#if bench.pinned.length === 2}
  <div class="mt-3"><Button onclick={() => (bench.pinned = [])}>Show all plans again</Button></div>
{:else if bench.further || bench.from > 0}
  <div class="mt-3 flex gap-3">
    {#if bench.from > 0}<Button onclick={() => bench.turnBack()}>Previous plans</Button>{/if}
    {#if bench.further}<Button onclick={() => bench.turn()}>More plans</Button>{/if}
  </div>
{/if}
