<script lang="ts">
  import { answer, api, type Schema } from '../../../api/client';
  import { p } from '../../../app/routes';
  import { AsyncState } from '../../../lib/asyncState.svelte';

  /** Jars that go by the name of a new one: a second one is asked about. */
  let { name }: { name: string } = $props();

  const found = new AsyncState<Schema['Named'][]>({ rest: 300 });
  $effect(() => {
    const query = { name: name.trim() };
    if (query.name.length < 3) return found.clear();
    found.ask(() => answer(api.GET('/api/v1/products/namesakes', { params: { query } })));
  });
</script>

{#if found.value && found.value.length > 0}
  <p class="mt-1 text-clay" role="status" data-namesakes>
    There is one of this name already:
    {#each found.value as jar, index (jar.id)}{index > 0 ? ', ' : ''}<a
        class="inline-flex min-h-11 items-center underline underline-offset-4"
        href={p('/larder/:id', { params: { id: jar.id } })}>open {jar.name}</a
      >{/each}. Or record a second jar; another maker of the same good belongs under Makers.
  </p>
{/if}
