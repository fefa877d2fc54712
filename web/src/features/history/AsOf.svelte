<script lang="ts">
  import Field from '../../ui/Field.svelte';
  import { answer, api, type Schema } from '../../api/client';
  import { AsyncState } from '../../lib/asyncState.svelte';
  import LevelLists from '../../ui/marks/LevelLists.svelte';
  import Button from '../../ui/Button.svelte';
  import ErrorText from '../../ui/ErrorText.svelte';

  /** The larder as it stood at the end of a day. */
  let day = $state('');
  let words = $state('');
  const asked = new AsyncState<Schema['LarderAsOf']>({ rest: 0 });
  const larder = $derived(asked.value);

  const shown = $derived(
    (larder?.products ?? []).filter((product) =>
      product.name.toLowerCase().includes(words.toLowerCase())
    )
  );

  function look() {
    const params = { query: { at: day } };
    asked.ask(() => answer(api.GET('/api/v1/larder/as-of', { params })));
  }
</script>

<section aria-labelledby="as-of" class="pt-3">
  <h2 id="as-of" class="text-lead">The larder as it was</h2>
  <div class="mt-1 flex items-end gap-3">
    <Field label="At the end of" class="flex-1">
      <input class="field" type="date" bind:value={day} />
    </Field>
    <Button disabled={day === ''} onclick={look}>Look</Button>
  </div>
  <ErrorText error={asked.error} />
  {#if larder}
    <label class="mt-2 block">
      <span class="text-soft">Part of a name</span>
      <input class="field" bind:value={words} />
    </label>
    <p class="mt-2 text-soft">{larder.products.length} products on that day.</p>
    <ul>
      {#each shown as product (product.id)}
        <li class="border-b border-rule py-2">
          <p class="font-amount">{product.name}</p>
          <LevelLists flags={larder.flags[product.id] ?? {}} />
        </li>
      {/each}
    </ul>
  {/if}
</section>
