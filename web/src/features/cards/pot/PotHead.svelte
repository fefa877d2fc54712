<script lang="ts">
  import IntoBag from '../../larder/bags/IntoBag.svelte';
  import Button from '../../../ui/Button.svelte';
  import { p } from '../../../app/routes';
  import { amountText, keepsText, type Pot } from './lines';
  import PotMenu from './PotMenu.svelte';

  let { pot, onname }: { pot: Pot; onname: () => void } = $props();

  const made = $derived(pot.preparation);
  const told = $derived(
    [
      made.kind,
      made.colour,
      made.yield && amountText(made.yield.quantity, made.yield.unit),
      keepsText(made.keeps)
    ]
      .filter(Boolean)
      .join(' · ')
  );
  const items = $derived([
    { id: made.id, name: made.name },
    ...(made.by_products ?? []).map((part) => ({ id: `${made.id}/${part.id}`, name: part.name }))
  ]);
  const params = $derived({ params: { id: made.id } });
</script>

<div
  class="flex items-end gap-4 border-b border-rule px-5 pt-3.5 pb-3 max-[62.5rem]:flex-wrap max-[62.5rem]:gap-y-2 max-[43.75rem]:px-3"
>
  <div class="border-y border-b-[3px] border-rule border-b-ladle bg-sheet px-3.5 py-1.5">
    <h1 class="text-title leading-[1.1]">{made.name}</h1>
    <p class="text-base text-soft">{told}</p>
  </div>
  <div class="max-w-md leading-snug">
    {#if made.retired}<p class="text-clay">Retired on {made.retired}; not offered any more.</p>{/if}
    {#if pot.variant_of}
      <p>
        Variant of <a
          class="underline"
          href={p('/pots/:id', { params: { id: pot.variant_of.id } })}
        >
          {pot.variant_of.name}</a
        >
      </p>
    {/if}
    {#if pot.variants.length > 0}
      <p>
        Variants:
        {#each pot.variants as variant, index (variant.id)}
          {#if index > 0},
          {/if}<a class="underline" href={p('/pots/:id', { params: { id: variant.id } })}>
            {variant.name}</a
          >
        {/each}
      </p>
    {/if}
  </div>
  <div class="ml-auto flex gap-2.5 max-[62.5rem]:ml-0 max-[62.5rem]:flex-wrap">
    <Button main href={p('/pots/:id/swaps', params)}>
      Find a swap
      <kbd class="amount border border-on-ladle/40 bg-white px-1.5 text-base">w</kbd>
    </Button>
    <IntoBag {items} />
    <Button href={p('/pots/:id/edit', params)}>Edit the card</Button>
    <PotMenu {pot} {onname} />
  </div>
</div>
