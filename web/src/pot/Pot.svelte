<script lang="ts">
  import { potQuery } from '../api/queries';
  import { selection } from '../family/selection.svelte';
  import Scroll from '../parts/Scroll.svelte';
  import Say from '../parts/Say.svelte';
  import Trouble from '../parts/Trouble.svelte';
  import { route } from '../routes';
  import CarriesList from './CarriesList.svelte';
  import GoesInto from './GoesInto.svelte';
  import LineSheet from './LineSheet.svelte';
  import LinesPart from './LinesPart.svelte';
  import type { Line } from './lines';
  import Method from './Method.svelte';
  import PotHead from './PotHead.svelte';
  import PotSheet from './PotSheet.svelte';
  import SignOff from './SignOff.svelte';
  import SuitsList from './SuitsList.svelte';

  const id = $derived(route.params.id ?? null);
  const pot = potQuery(() => id);
  let editing = $state(false);
  let line = $state<Line | null>(null);

  $effect(() => {
    selection.pot = id;
  });
</script>

<svelte:head><title>{pot.data?.preparation.name ?? 'Pot'} · Yellow Ladle</title></svelte:head>

{#if pot.data}
  <div class="grid h-full grid-rows-[auto_minmax(0,1fr)]">
    <PotHead pot={pot.data} onedit={() => (editing = true)} />
    <div
      class="grid min-h-0 grid-cols-[minmax(0,430px)_minmax(0,1fr)_280px] max-[1000px]:block max-[1000px]:overflow-y-auto"
    >
      <section class="relative min-h-0 overflow-y-auto px-5 py-3" aria-labelledby="goes-in">
        <h2 id="goes-in" class="text-[18px]">What goes in</h2>
        <LinesPart
          pot={pot.data}
          onchange={(chosen) => (line = chosen)}
          onwrite={() => (editing = true)}
        />
        <Method method={pot.data.preparation.method ?? []} />
        <SignOff pot={pot.data} />
      </section>
      <Scroll
        label="What it carries"
        class="min-h-0 border-l border-rule px-5 py-3 max-[1000px]:border-l-0"
      >
        <h2 class="mb-1.5 text-[18px]">What it carries</h2>
        <CarriesList carries={pot.data.carries} side />
        <h2 class="mt-4 mb-1.5 text-[18px]">Who can have it</h2>
        <SuitsList suits={pot.data.suits} notes />
        <div class="mt-3 border-t border-rule pt-2.5"><Say /></div>
      </Scroll>
      <GoesInto pot={pot.data} />
    </div>
  </div>
  <PotSheet bind:open={editing} pot={pot.data} />
  {#if line}
    <LineSheet pot={pot.data} {line} onclose={() => (line = null)} />
  {/if}
{:else}
  <div class="p-8"><Trouble error={pot.error} /></div>
{/if}
