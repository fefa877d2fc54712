<script lang="ts">
  import { kitchenQuery, potQuery } from '../api/queries';
  import { selection } from '../family/selection.svelte';
  import Trouble from '../parts/Trouble.svelte';
  import { p, route } from '../routes';
  import { Bench } from './bench.svelte';
  import BenchFoot from './BenchFoot.svelte';
  import BlockedList from './BlockedList.svelte';
  import GoalBar from './GoalBar.svelte';
  import PlanTable from './PlanTable.svelte';

  const id = $derived(route.params.id ?? '');
  const pot = potQuery(() => id);
  const kitchen = kitchenQuery();
  const bench = new Bench(() => id);

  $effect(() => {
    selection.pot = id;
  });

  $effect(() => {
    void bench.wanted;
    void bench.find();
  });
</script>

<svelte:head><title>Swaps · Yellow Ladle</title></svelte:head>

<div class="grid h-full grid-rows-[auto_minmax(0,1fr)_auto]">
  <div class="px-5 pt-3">
    <h1 class="sr-only">Swap bench</h1>
    <GoalBar {bench} name={pot.data?.preparation.name ?? ''} kitchen={kitchen.data} />
  </div>
  <div class="min-h-0 overflow-y-auto px-5" aria-busy={bench.busy}>
    <Trouble error={bench.error ?? pot.error} />
    {#if bench.plans?.met_already}
      <p class="mt-6 text-[20px] text-moss">Nothing to swap: it is so already.</p>
    {:else if bench.plans && bench.plans.plans.length > 0}
      <PlanTable {bench} plans={bench.plans} />
      <BlockedList blocked={bench.plans.blocked} />
    {:else if bench.plans}
      <h2 class="mt-6 text-[22px]">No plan reaches it with what the larder and the book hold</h2>
      <BlockedList blocked={bench.plans.blocked} />
    {:else if !bench.busy}
      <p class="mt-6 max-w-xl text-[18px]">
        Name what must go, or a diet that it must suit. Plans are made from what the larder holds
        and what the book can cook, and each is carried through again before it is shown.
      </p>
      <p class="mt-3">
        <a class="underline" href={p('/pots/:id', { params: { id } })}>Back to the pot</a>
      </p>
    {/if}
  </div>
  {#if bench.plan && !bench.plans?.met_already}<BenchFoot
      {bench}
      name={bench.plans?.name ?? ''}
    />{/if}
</div>
