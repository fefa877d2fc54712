<script lang="ts">
  import X from '@lucide/svelte/icons/x';
  import { potsQuery } from '../../../api/queries';
  import { p, route } from '../../../app/routes';
  import type { Bench } from './bench.svelte';

  /** What is to be cleared: the pot, other plates by the same swaps, for how many. */
  let { bench, name }: { bench: Bench; name: string } = $props();

  const pots = potsQuery();
  const dishes = $derived(
    (pots.data?.entries ?? []).filter((pot) => pot.kind === 'dish' && !pot.retired)
  );
  const link = 'flex min-h-11 items-center underline underline-offset-4';

  const whole = (covers: number | null) =>
    covers === null || !(covers >= 1) ? null : Math.min(Math.round(covers), 10_000);

  function also(box: HTMLSelectElement) {
    const dish = dishes.find((other) => other.id === box.value);
    if (dish) bench.also(dish.id, dish.name);
    box.value = '';
  }
</script>

<div class="flex flex-wrap items-center gap-x-3 gap-y-1 text-name">
  <span>in</span>
  <a
    class="flex min-h-11 items-center font-name font-strong underline decoration-ladle decoration-[3px] underline-offset-[9px]"
    href={p('/pots/:id', { params: { id: route.params.id ?? '' } })}
  >
    {name}
  </a>
  {#each Object.entries(bench.others) as [item, other] (item)}
    <button
      type="button"
      class="flex min-h-11 items-center gap-1.5 border-b-3 border-ladle px-1 font-name font-strong"
      aria-label="and {other}: drop it"
      onclick={() => bench.free(item)}
    >
      <span class="font-sans font-normal">and</span>
      {other}<X size={16} aria-hidden="true" />
    </button>
  {/each}
  <label class="flex items-center gap-2 text-base">
    and
    <select
      class="field !w-44"
      value=""
      aria-label="Clear another plate by the same swaps"
      onchange={(event) => also(event.currentTarget)}
    >
      <option value="">no other plate</option>
      {#each dishes as dish (dish.id)}<option value={dish.id}>{dish.name}</option>{/each}
    </select>
  </label>
  <label class="flex items-center gap-2 text-base">
    for
    <input
      class="field amount !w-20"
      type="number"
      inputmode="numeric"
      min="1"
      max="10000"
      step="1"
      aria-label="Covers"
      bind:value={() => bench.covers, (covers) => (bench.covers = whole(covers))}
    />
    covers
  </label>
  <nav class="ml-auto flex gap-5 text-base" aria-label="More about swaps">
    <a class={link} href={p('/menu')}>For the whole menu</a>
    <a class={link} href={p('/applied')}>Applied plans</a>
    <a class={link} href={p('/rules')}>Rules</a>
  </nav>
</div>
