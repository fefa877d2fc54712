<script lang="ts">
  import { p } from '../../../app/routes';
  import { amountText, keepsText, type Pot } from '../../../lib/lines';

  let { pot }: { pot: Pot } = $props();

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
</script>

<div
  class="flex items-end gap-4 border-b border-rule px-5 pt-3.5 pb-3 max-desk:flex-wrap max-desk:gap-y-2 max-desk:border-b-0 max-phone:border-b max-phone:px-3 max-phone:pt-2 max-phone:pb-0"
>
  <div
    class="border-y border-b-3 border-rule border-b-ladle bg-sheet px-3.5 py-1.5 max-phone:border-y-0 max-phone:bg-transparent max-phone:px-0 max-phone:pt-0"
  >
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
</div>
