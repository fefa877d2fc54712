<script lang="ts">
  import { answer, api, type Schema } from '../../api/client';
  import LevelLists from '../../ui/marks/LevelLists.svelte';
  import Button from '../../ui/Button.svelte';
  import ErrorText from '../../ui/ErrorText.svelte';

  /** The larder as it stood at the end of a day. */
  let day = $state('');
  let words = $state('');
  let larder = $state.raw<Schema['LarderAsOf'] | null>(null);
  let error = $state<unknown>(null);

  const shown = $derived(
    (larder?.products ?? []).filter((product) =>
      product.name.toLowerCase().includes(words.toLowerCase())
    )
  );

  async function look() {
    error = null;
    try {
      const query = { at: day };
      larder = await answer(api.GET('/api/v1/larder/as-of', { params: { query } }));
    } catch (refusal) {
      error = refusal;
    }
  }
</script>

<section aria-labelledby="as-of" class="pt-3">
  <h2 id="as-of" class="text-[18px]">The larder as it was</h2>
  <div class="mt-1 flex items-end gap-3">
    <label class="block flex-1">
      <span class="text-soft">At the end of</span>
      <input class="field" type="date" bind:value={day} />
    </label>
    <Button disabled={day === ''} onclick={look}>Look</Button>
  </div>
  <ErrorText {error} />
  {#if larder}
    <label class="mt-2 block">
      <span class="text-soft">Part of a name</span>
      <input class="field" bind:value={words} />
    </label>
    <p class="mt-2 text-soft">{larder.products.length} products on that day.</p>
    <ul>
      {#each shown as product (product.id)}
        <li class="border-b border-rule py-2">
          <p class="font-[550]">{product.name}</p>
          <LevelLists flags={larder.flags[product.id] ?? {}} />
        </li>
      {/each}
    </ul>
  {/if}
</section>
