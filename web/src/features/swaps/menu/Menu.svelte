<script lang="ts">
  import { potsQuery, uncheckedQuery } from '../../../api/queries';
  import Button from '../../../ui/Button.svelte';
  import Disclaimer from '../../../ui/Disclaimer.svelte';
  import ErrorText from '../../../ui/ErrorText.svelte';
  import SwapPage from '../bench/SwapPage.svelte';
  import GuestList from './GuestList.svelte';
  import { MenuBench } from './menu.svelte';
  import MenuPlanView from './MenuPlanView.svelte';

  const pots = potsQuery();
  const unchecked = uncheckedQuery();
  const bench = new MenuBench();
  const dishes = $derived((pots.data?.entries ?? []).filter((pot) => pot.kind === 'dish'));

  $effect(() => {
    const needs = unchecked.data?.needs ?? [];
    bench.offered = {
      plates: dishes.map((dish) => dish.id),
      guests: needs.map(({ need }) => ({
        name: need.guest,
        goals: { clear: need.clear ?? [], fit: need.fit ?? [] }
      }))
    };
  });
</script>

<SwapPage
  title="The whole menu"
  told="Say who comes, and take off the plates that are not on. Nobody needs the whole menu: say how many plates of each course a guest is to choose from, and the answer is the fewest small pots for it."
>
  <div class="mt-3 grid grid-cols-2 gap-8 max-tablet:grid-cols-1">
    <GuestList {bench} />
    <fieldset>
      <legend class="text-lead font-strong">Plates</legend>
      <div class="flex flex-wrap gap-x-4">
        <button
          type="button"
          class="min-h-11 underline underline-offset-4"
          onclick={() => (bench.plates = dishes.map((dish) => dish.id))}>all of them</button
        >
        <button
          type="button"
          class="min-h-11 underline underline-offset-4"
          onclick={() => (bench.plates = [])}>none</button
        >
      </div>
      <div class="grid grid-cols-2 gap-x-4 max-phone:grid-cols-1">
        {#each dishes as dish (dish.id)}
          <label class="flex min-h-11 items-center gap-2 border-b border-rule">
            <input
              type="checkbox"
              class="size-5 accent-enamel"
              value={dish.id}
              bind:group={bench.plates}
            />
            {dish.name}
          </label>
        {/each}
      </div>
    </fieldset>
  </div>
  <div class="mt-4 flex flex-wrap items-center gap-4">
    <Button
      main
      disabled={bench.busy || bench.plates.length === 0 || bench.guests.length === 0}
      onclick={() => bench.find()}
    >
      Find the fewest pots
    </Button>
    <label class="flex flex-wrap items-center gap-2">
      for each guest
      <select class="field !w-52" aria-label="Plates of each course" bind:value={bench.each}>
        <option value={1}>one plate a course</option>
        <option value={2}>two plates a course</option>
        <option value={0}>every plate</option>
      </select>
    </label>
    <label class="flex flex-wrap items-center gap-2">
      look for at most
      <select class="field !w-20" aria-label="Seconds at most" bind:value={bench.seconds}>
        {#each [2, 5, 10, 20] as seconds (seconds)}<option value={seconds}>{seconds}</option>{/each}
      </select>
      seconds
    </label>
    <div class="ml-auto max-w-[340px] max-phone:ml-0"><Disclaimer /></div>
  </div>
  <div aria-busy={bench.busy} aria-live="polite">
    <ErrorText error={bench.error} />
    {#if bench.found}<MenuPlanView {bench} found={bench.found} />{/if}
  </div>
</SwapPage>
