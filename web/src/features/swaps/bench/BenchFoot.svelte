<script lang="ts">
  import Button from '../../../ui/Button.svelte';
  import Disclaimer from '../../../ui/Disclaimer.svelte';
  import { navigate } from '../../../app/routes';
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

<div class="border-t border-rule bg-sheet px-5 py-2">
  {#if plan}
    <p class="pb-2 text-lead"><span class="text-soft">For the floor:</span> {plan.sentence}</p>
  {/if}
  <div class="flex flex-wrap items-center gap-3">
    {#if waits}
      <p class="w-full text-clay" data-waits>
        Buy {plan?.buy.join(', ')}, read its label into the larder, and ask again.
      </p>
    {/if}
    <Button main disabled={bench.busy || waits} onclick={() => (naming = true)}
      >Make the small pots</Button
    >
    {#if split}
      <Button disabled={bench.busy || waits} onclick={() => apply('mixed')}>
        Mixed: {mixed?.beside.length} more
      </Button>
    {/if}
    <Button disabled={bench.busy || waits} onclick={() => apply('for_all')}
      >Change it for all</Button
    >
    <Button disabled={bench.busy || waits} onclick={() => apply('today')}>Only today</Button>
    <div class="ml-auto max-w-[340px]"><Disclaimer /></div>
  </div>
</div>
<NamesSheet {bench} bind:open={naming} onmake={() => apply('variant')} />
