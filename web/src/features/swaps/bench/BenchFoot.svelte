<script lang="ts">
  import Button from '../../../ui/Button.svelte';
  import { navigate } from '../../../app/routes';
  import { cramped } from '../../../ui/narrow';
  import type { Bench, How } from './bench.svelte';
  import NamesSheet from './NamesSheet.svelte';

  /** Applies the picked plan: as small pots, for all, mixed, or for today only. */
  let { bench }: { bench: Bench } = $props();

  let naming = $state(false);
  const plan = $derived(bench.plan);
  /** What has to be bought first cannot be put into a card yet. */
  const waits = $derived((plan?.buy.length ?? 0) > 0);
  const mixed = $derived(plan?.placements.find((placement) => placement.how === 'mixed'));
  const split = $derived(
    mixed && mixed.beside.length > 0 && mixed.beside.length < (plan?.pots.length ?? 0)
  );

  async function apply(as: How) {
    const item = await bench.apply(as);
    if (item) void navigate('/pots/:id', { params: { id: item } });
  }
</script>

<div
  class="border-t border-rule bg-sheet px-5 py-2 max-desk:flex max-desk:items-start max-desk:gap-3 max-phone:px-3"
>
  <div class="flex flex-wrap items-center gap-3">
    <Button main disabled={bench.busy || waits} onclick={() => (naming = true)}
      >Make the small pots</Button
    >
    {#if !cramped.current}{@render others()}{/if}
  </div>
  {#if cramped.current}
    <details class="min-w-0 max-h-[40dvh] overflow-y-auto">
      <summary class="min-h-11 cursor-pointer py-2.5">Or</summary>
      <div class="flex flex-wrap items-center gap-3 pb-1">{@render others()}</div>
    </details>
  {/if}
</div>
{#snippet others()}
  {#if split}
    <Button disabled={bench.busy || waits} onclick={() => apply('mixed')}>
      Mixed: {mixed?.beside.length} more
    </Button>
  {/if}
  <Button disabled={bench.busy || waits} onclick={() => apply('for_all')}>Change it for all</Button>
  <Button disabled={bench.busy || waits} onclick={() => apply('today')}>Only today</Button>
{/snippet}
<NamesSheet {bench} bind:open={naming} onmake={() => apply('variant')} />
