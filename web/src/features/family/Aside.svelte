<script lang="ts">
  import { potQuery } from '../../api/queries';
  import { asWords } from '../../lib/levels';
  import CarriesList from '../../ui/carried/CarriesList.svelte';
  import Button from '../../ui/Button.svelte';
  import Scroll from '../../ui/Scroll.svelte';
  import Disclaimer from '../../ui/Disclaimer.svelte';
  import SuitsList from '../../ui/carried/SuitsList.svelte';
  import { p } from '../../app/routes';
  import FromInto from './FromInto.svelte';
  import AsideEmpty from './AsideEmpty.svelte';
  import type { Board } from './board.svelte';

  let { board }: { board: Board } = $props();

  const pot = potQuery(() => board.selected?.id ?? null);
  const params = $derived({ params: { id: board.selected?.id ?? '' } });
</script>

<aside
  aria-label="The chosen pot"
  class="flex min-h-0 flex-col border-l border-rule bg-sheet max-desk:max-h-[45dvh] max-desk:border-t max-desk:border-l-0"
>
  {#if board.selected}
    <Scroll label="What it carries" class="min-h-0 flex-1 px-4.5 pt-4 pb-3">
      <h2 class="text-head leading-[1.1]">{board.selected.name}</h2>
      {#if pot.data && pot.data.preparation.id === board.selected.id}
        {@const made = pot.data.preparation}
        <FromInto {board} />
        <p class="mt-0.5 mb-3 text-soft">
          {[
            asWords(made.kind),
            made.colour,
            made.yield && `${made.yield.quantity} ${made.yield.unit}`
          ]
            .filter(Boolean)
            .join(' · ')}
        </p>
        <CarriesList
          carries={pot.data.carries}
          ask={board.ask?.what === 'flag' ? board.ask.id : null}
        />
        <div class="mt-3 border-t border-rule pt-2.5"><SuitsList suits={pot.data.suits} /></div>
      {/if}
    </Scroll>
    <div class="border-t border-rule px-4.5 py-3">
      <div class="mb-2 flex gap-2.5">
        <Button main href={p('/pots/:id/swaps', params)}>
          Find a swap
          <kbd class="amount border border-on-ladle/40 bg-white px-1.5 text-base max-phone:hidden"
            >w</kbd
          >
        </Button>
        <Button href={p('/pots/:id', params)}>Open pot</Button>
      </div>
      <Disclaimer />
    </div>
  {:else}
    <AsideEmpty />
  {/if}
</aside>
