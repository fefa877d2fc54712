<script lang="ts">
  import { productQuery, uncheckedQuery } from '../../../api/queries';
  import { p } from '../../../app/routes';
  import Button from '../../../ui/Button.svelte';
  import ErrorText from '../../../ui/ErrorText.svelte';
  import ProductSheet from '../products/ProductSheet.svelte';
  import { NextJar } from './nextJar.svelte';

  /** One jar after another, with the phone in hand: photograph, look, record, next. */
  const unchecked = uncheckedQuery();
  const next = new NextJar(() => unchecked.data?.held ?? []);
  const product = productQuery(() => next.current?.item ?? null);
  const frees = $derived((next.current?.frees ?? []).map((plate) => plate.name));
</script>

<svelte:head><title>Next jar · Yellow Ladle</title></svelte:head>

<div class="grid h-full grid-rows-[auto_minmax(0,1fr)]">
  <div
    class="flex flex-wrap items-center gap-x-4 border-b border-rule bg-sheet px-5 py-1.5 max-phone:px-3"
  >
    <h1 class="text-lead">
      Next jar{next.current ? ` · ${next.left.length} left` : ''}
    </h1>
    {#if frees.length > 0}<p class="text-soft">frees {frees.join(', ')}</p>{/if}
    {#if next.current}
      <div class="ml-auto">
        <Button onclick={() => next.current && next.pass(next.current.item)}>Later</Button>
      </div>
    {/if}
  </div>
  {#if next.current}
    {#if product.data && product.data.product.id === next.current.item}
      {#key next.current.item}
        <ProductSheet known={product.data} brief ondone={(id) => next.pass(id)} />
      {/key}
    {:else}
      <div class="p-5"><ErrorText error={product.error} /></div>
    {/if}
  {:else if unchecked.data}
    <div class="p-5">
      {#if next.jars.length > 0}
        <p>That was the last one. {next.jars.length} still have something that is not checked.</p>
        <div class="mt-3 flex flex-wrap gap-3">
          <Button main onclick={() => next.again()}>Begin again with these</Button>
          <Button href={p('/unchecked')}>See what is left</Button>
        </div>
      {:else}
        <p>Every jar is checked. Whatever comes in new stands here until somebody reads it.</p>
      {/if}
    </div>
  {:else}
    <div class="p-5"><ErrorText error={unchecked.error} /></div>
  {/if}
</div>
