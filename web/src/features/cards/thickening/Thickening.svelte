<script lang="ts">
  import Check from '../../../ui/Check.svelte';
  import { potQuery } from '../../../api/queries';
  import { selection } from '../../../lib/selection.svelte';
  import Spoon from '../../../ui/Spoon.svelte';
  import ErrorText from '../../../ui/ErrorText.svelte';
  import { p, route } from '../../../app/routes';
  import { Bench, GOAL_WORDS } from './bench.svelte';
  import IntoPot from './IntoPot.svelte';
  import LiquidFields from './LiquidFields.svelte';
  import OptionsTable from './OptionsTable.svelte';
  import type { Option } from './bench.svelte';
  import WillBe from './WillBe.svelte';

  /** Liquid and wanted thickness in, the amounts of each thickener side by side out. */
  const id = $derived(route.params.id ?? null);
  const pot = potQuery(() => id);
  const bench = new Bench();
  let putting = $state<Option | null>(null);

  $effect(() => {
    if (id === null || pot.data === undefined) return;
    selection.pot = id;
    // Again whenever another version of it stands, as after a thickener was put in.
    void bench.takePot(pot.data.preparation.id);
  });
  $effect(() => void bench.ask());
</script>

<svelte:head><title>Thickening bench · Yellow Ladle</title></svelte:head>

<div class="h-full overflow-y-auto px-5 py-4">
  <h1 class="text-title">
    Thickening bench{pot.data ? `: ${pot.data.preparation.name}` : ''}
  </h1>
  {#if id}
    <a class="underline" href={p('/pots/:id', { params: { id } })}>Back to the card</a>
  {/if}
  <fieldset class="mt-3">
    <legend class="text-soft">How thick should it be when served?</legend>
    <div class="mt-1 flex flex-wrap gap-2">
      {#each bench.words.data?.places ?? [] as place (place.id)}
        <label
          class={[
            'flex min-h-16 w-44 cursor-pointer items-center gap-2 border-b-3 px-1 leading-tight has-[:focus-visible]:outline-3 has-[:focus-visible]:outline-enamel',
            bench.place === place.id ? 'border-ladle bg-ladle-pale' : 'border-rule'
          ]}
        >
          <input type="radio" class="sr-only" value={place.id} bind:group={bench.place} />
          <Spoon stand={place.stand} small />
          {place.name}
        </label>
      {/each}
    </div>
  </fieldset>
  <LiquidFields {bench} />
  <fieldset class="mt-3 flex flex-wrap gap-x-6">
    <legend class="text-soft">Requirements</legend>
    {#each bench.words.data?.goals ?? [] as goal (goal)}
      <Check checked={bench.goals.includes(goal)} onchange={() => bench.toggle(goal)}
        >{GOAL_WORDS[goal] ?? goal}</Check
      >
    {/each}
  </fieldset>
  <fieldset class="mt-2 flex flex-wrap gap-x-6">
    <legend class="text-soft">Which thickeners</legend>
    {#each bench.words.data?.thickeners ?? [] as each (each.id)}
      <Check checked={!bench.left.includes(each.id)} onchange={() => bench.want(each.id)}
        >{each.name}</Check
      >
    {/each}
  </fieldset>
  <ErrorText error={bench.error} />
  <OptionsTable {bench} onput={pot.data ? (option) => (putting = option) : undefined} />
  <p class="mt-2 max-w-3xl text-base text-soft">
    Where a figure has a range the middle is used; then the spoon test. “No gluten source” holds
    only where the larder has a product that is recorded as free of them.
  </p>
  <WillBe {bench} />
</div>
{#if putting && pot.data}
  <IntoPot pot={pot.data} option={putting} {bench} onclose={() => (putting = null)} />
{/if}
