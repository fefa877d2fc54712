<script lang="ts">
  import { figuresQuery, potQuery } from '../../../api/queries';
  import { selection } from '../../../lib/selection.svelte';
  import Scroll from '../../../ui/Scroll.svelte';
  import Disclaimer from '../../../ui/Disclaimer.svelte';
  import ErrorText from '../../../ui/ErrorText.svelte';
  import { route } from '../../../app/routes';
  import CarriesList from '../../../ui/carried/CarriesList.svelte';
  import GoesInto from './GoesInto.svelte';
  import LineSheet from './LineSheet.svelte';
  import LinesPart from './LinesPart.svelte';
  import type { Line } from '../../../lib/lines';
  import Method from './Method.svelte';
  import NameSheet from './NameSheet.svelte';
  import PotActions from './PotActions.svelte';
  import PotHead from './PotHead.svelte';
  import PotPages, { type PotPage } from './PotPages.svelte';
  import QuietWarnings from './QuietWarnings.svelte';
  import SignOff from './SignOff.svelte';
  import SuitsList from '../../../ui/carried/SuitsList.svelte';
  import WayPick from './WayPick.svelte';

  const id = $derived(route.params.id ?? null);
  const pot = potQuery(() => id);
  const figures = figuresQuery(() => id);
  let naming = $state(false);
  let page = $state<PotPage>('carries');
  let line = $state<Line | null>(null);
  const names = $derived(
    Object.fromEntries((pot.data?.lines ?? []).map((each) => [each.line.item, each.name]))
  );

  $effect(() => {
    selection.pot = id;
  });
</script>

<svelte:head><title>{pot.data?.preparation.name ?? 'Pot'} · Yellow Ladle</title></svelte:head>

{#if pot.data}
  <div
    class="grid h-full grid-cols-[minmax(0,1fr)_auto] grid-rows-[auto_minmax(0,1fr)] max-desk:grid-cols-1 max-desk:grid-rows-[auto_auto_minmax(0,1fr)] max-phone:grid-rows-[auto_minmax(0,1fr)_auto]"
  >
    <PotHead pot={pot.data} />
    <PotActions pot={pot.data} onname={() => (naming = true)} />
    <Scroll
      label="The pot"
      class="col-span-full grid min-h-0 grid-cols-[minmax(0,430px)_minmax(0,1fr)_280px] max-desk:grid-cols-2 max-phone:block"
    >
      <PotPages bind:page />
      <section
        class={['px-5 py-3 max-phone:px-3', page !== 'in' && 'max-phone:hidden']}
        aria-labelledby="goes-in"
      >
        <h2 id="goes-in" class="text-lead max-phone:sr-only">What goes in</h2>
        {#if (pot.data.preparation.ways ?? []).length > 0}<WayPick pot={pot.data} />{/if}
        <LinesPart pot={pot.data} onchange={(chosen) => (line = chosen)} />
        {#if figures.data}<QuietWarnings figures={figures.data} />{/if}
        <Method
          method={pot.data.preparation.method ?? []}
          {names}
          offered={figures.data?.cautions ?? []}
        />
        <SignOff pot={pot.data} />
      </section>
      <section
        class={[
          'border-l border-rule px-5 py-3 max-phone:border-l-0 max-phone:px-3',
          page !== 'carries' && 'max-phone:hidden'
        ]}
        aria-labelledby="carries"
      >
        <h2 id="carries" class="text-lead max-phone:sr-only">What it carries</h2>
        <CarriesList carries={pot.data.carries} side />
        <h2 class="mt-4 mb-1.5 text-lead">Who can have it</h2>
        <SuitsList suits={pot.data.suits} notes />
        <div class="mt-3 border-t border-rule pt-2.5"><Disclaimer /></div>
      </section>
      <div class={['contents', page !== 'out' && 'max-phone:hidden']}>
        <GoesInto pot={pot.data} figures={figures.data} />
      </div>
    </Scroll>
  </div>
  {#if naming}<NameSheet pot={pot.data} onclose={() => (naming = false)} />{/if}
  {#if line}
    <LineSheet pot={pot.data} {line} onclose={() => (line = null)} />
  {/if}
{:else}
  <div class="p-8"><ErrorText error={pot.error} /></div>
{/if}
