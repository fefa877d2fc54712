<script lang="ts">
  import Act from '../parts/Act.svelte';
  import Say from '../parts/Say.svelte';
  import { navigate } from '../routes';
  import type { Bench } from './bench.svelte';

  /** Applies the picked plan: beside the usual under a name of its own, or for all. */
  let { bench, name }: { bench: Bench; name: string } = $props();

  let own = $derived(`${name}, ${bench.plans?.goals ?? ''}`);

  async function apply(as: 'variant' | 'for_all') {
    const item = await bench.apply(as, as === 'variant' ? own : null);
    if (item) void navigate('/pots/:id', { params: { id: item } });
  }
</script>

<div class="flex flex-wrap items-end gap-3 border-t border-rule bg-sheet px-5 py-3">
  <label class="block w-80">
    <span class="text-soft">Name of the small pot</span>
    <input class="field" bind:value={own} />
  </label>
  <Act main disabled={bench.busy || own.trim() === ''} onclick={() => apply('variant')}>
    Make it as a small pot
  </Act>
  <Act disabled={bench.busy} onclick={() => apply('for_all')}>Change it for all</Act>
  <div class="ml-auto max-w-[360px]"><Say /></div>
</div>
