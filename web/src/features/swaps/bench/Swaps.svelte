<script lang="ts">
  import { untrack } from 'svelte';
  import { kitchenQuery, potQuery } from '../../../api/queries';
  import { selection } from '../../../lib/selection.svelte';
  import Scroll from '../../../ui/Scroll.svelte';
  import ErrorText from '../../../ui/ErrorText.svelte';
  import { p, route } from '../../../app/routes';
  import { Bench } from './bench.svelte';
  import BenchFoot from './BenchFoot.svelte';
  import BlockedList from './BlockedList.svelte';
  import ChecksFirst from './ChecksFirst.svelte';
  import Instead from './Instead.svelte';
  import { askFrom, searchOf } from './address';
  import ForTheFloor from './ForTheFloor.svelte';
  import GoalBox from '../../../ui/GoalBox.svelte';
  import LimitBar from './LimitBar.svelte';
  import OpenNeeds from '../../../ui/OpenNeeds.svelte';
  import LoosenList from './LoosenList.svelte';
  import PlanTurns from './PlanTurns.svelte';
  import PlateBar from './PlateBar.svelte';
  import PlanTable from './PlanTable.svelte';
  import PourDrawing from './PourDrawing.svelte';

  const id = $derived(route.params.id ?? '');
  const pot = potQuery(() => id);
  const kitchen = kitchenQuery();
  const bench = new Bench(() => id);
  const plans = $derived(bench.plans);
  untrack(() => askFrom(location.search, bench));

  $effect(() => {
    selection.pot = id;
  });

  // The question stands in the address, so that it can be sent to somebody.
  $effect(() => {
    history.replaceState(history.state, '', location.pathname + searchOf(bench));
  });

  $effect(() => {
    void [JSON.stringify(bench.asked), kitchen.data?.version];
    bench.find();
  });
</script>

<svelte:head><title>Swaps · Yellow Ladle</title></svelte:head>

<div class="grid h-full grid-cols-[minmax(0,1fr)] grid-rows-[minmax(0,1fr)_auto]">
  <Scroll label="Swap bench" class="min-h-0">
    <div class="px-5 max-phone:px-3">
      <h1 class="sr-only">Swap bench</h1>
      <GoalBox holder={bench} kitchen={kitchen.data} />
      {#if bench.goals.length === 0}<OpenNeeds onask={(goals) => (bench.goals = goals)} />{/if}
      <PlateBar {bench} name={pot.data?.preparation.name ?? ''} />
      <LimitBar {bench} kitchen={kitchen.data} />
    </div>
    <div class="px-5 max-phone:px-3" aria-busy={bench.busy} data-plans>
      <ErrorText error={bench.error ?? pot.error} />
      {#if plans?.met_already}
        <p class="mt-6 text-name text-moss">Nothing to swap: it already meets this.</p>
      {:else if plans}
        {#if plans.instead.length > 0}<Instead instead={plans.instead} />{/if}
        <ChecksFirst checks={plans.checks} />
        {#if !plans.plans.some((plan) => plan.meets)}
          <h2 class="mt-4 text-head">No plan gets there with what the larder and the book hold</h2>
          <BlockedList blocked={plans.blocked} />
          <LoosenList {bench} />
          {#if plans.plans.length > 0}<h2 class="text-lead">The closest plans</h2>{/if}
        {/if}
        {#if plans.plans.length > 0}
          <PlanTable {bench} {plans} />
          <PlanTurns {bench} />
          {#if bench.plan}<PourDrawing plan={bench.plan} />{/if}
          {#if plans.plans.some((plan) => plan.meets)}<LoosenList {bench} />{/if}
          <p class="mb-4 text-base text-soft">
            {plans.whole
              ? 'Nothing that is better in every way was left out.'
              : 'The search stopped early: these clear it, but a better plan may exist.'}
          </p>
        {/if}
      {:else if !bench.busy}
        <p class="mt-6 max-w-xl text-lead">
          Name what must go, or a diet that it must suit. Plans are made from what the larder holds
          and what the book can cook, and each is carried through again before it is shown.
        </p>
        <p class="mt-3">
          <a class="underline" href={p('/pots/:id', { params: { id } })}>Back to the pot</a>
        </p>
      {/if}
    </div>
    {#if bench.plan && !plans?.met_already}<ForTheFloor plan={bench.plan} />{/if}
  </Scroll>
  {#if bench.plan && !plans?.met_already}<BenchFoot {bench} />{/if}
</div>
