<script lang="ts">
  import { searchParams } from 'sv-router';
  import { jarsQuery, productQuery } from '../../../api/queries';
  import ErrorText from '../../../ui/ErrorText.svelte';
  import { navigate, p, route } from '../../../app/routes';
  import LarderNav from '../../../ui/larder/LarderNav.svelte';
  import JarList from './JarList.svelte';
  import ProductSheet from './ProductSheet.svelte';

  const id = $derived(route.params.id ?? null);
  const isNew = $derived(id === 'new');
  const jars = jarsQuery();
  const product = productQuery(() => (isNew ? null : id));
  const onlyUnchecked = $derived(searchParams.get('unchecked') !== null);
</script>

<svelte:head><title>Larder · Yellow Ladle</title></svelte:head>

<div
  class={[
    'grid h-full grid-rows-[auto_minmax(0,1fr)]',
    id !== null && 'max-phone:grid-rows-[minmax(0,1fr)]'
  ]}
>
  <div class={[id !== null && 'max-phone:hidden']}><LarderNav /></div>
  <div
    class="grid min-h-0 grid-cols-[380px_minmax(0,1fr)] max-tablet:grid-cols-[280px_minmax(0,1fr)] max-phone:grid-cols-1 max-phone:grid-rows-[auto_minmax(0,1fr)]"
  >
    {#if id !== null}
      <a
        href={p('/larder')}
        class="hidden min-h-11 items-center px-3 underline underline-offset-4 max-phone:flex"
        >← All jars</a
      >
    {/if}
    <div class={['grid min-h-0', id !== null ? 'max-phone:hidden' : 'max-phone:row-span-2']}>
      <JarList jars={jars.data?.entries ?? []} chosen={id} {onlyUnchecked} />
    </div>
    {#if isNew}
      <ProductSheet ondone={(made) => navigate('/larder/:id', { params: { id: made } })} />
    {:else if product.data}
      {#key product.data.product.id}
        <ProductSheet known={product.data} />
      {/key}
    {:else}
      <div class="p-8 max-phone:hidden">
        <h2 class="text-head">What does the label say?</h2>
        <p class="mt-2 max-w-lg">
          Choose a jar, or record a new one. What nobody has read yet stands first in the list.
        </p>
        <ErrorText error={product.error ?? jars.error} />
      </div>
    {/if}
  </div>
</div>
