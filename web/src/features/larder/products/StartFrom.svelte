<script lang="ts">
  import Field from '../../../ui/Field.svelte';
  import { Combobox } from 'bits-ui';
  import type { Schema } from '../../../api/client';
  import { goodsQuery } from '../../../api/queries';
  import { asWords } from '../../../lib/levels';
  import Options from '../../../ui/Options.svelte';
  import type { ProductDraft } from './productDraft.svelte';

  /** Begins a product from a common good: what it usually is, and what to look for. */
  let { draft }: { draft: ProductDraft } = $props();

  let wanted = $state(false);
  let words = $state('');
  let good = $state.raw<Schema['GoodOut'] | null>(null);
  const goods = goodsQuery(() => wanted);
  const options = $derived(
    (goods.data ?? [])
      .filter((entry) => entry.name.toLowerCase().includes(words.toLowerCase()))
      .slice(0, 30)
      .map((entry) => ({
        value: entry.id,
        label: entry.name,
        note: entry.plain ? 'plain food' : 'has a label'
      }))
  );

  function begin(id: string) {
    good = goods.data?.find((entry) => entry.id === id) ?? null;
    if (good) draft.startFrom(good);
  }
</script>

<div class="mt-2 flex flex-wrap items-end gap-4 border-b border-rule pb-3">
  <Field label="Begin from a common good" class="w-80">
    <Combobox.Root type="single" onValueChange={begin}>
      <Combobox.Input
        id="start-from"
        class="field"
        autocomplete="off"
        onfocus={() => (wanted = true)}
        oninput={(event) => (words = event.currentTarget.value)}
      />
      <Options entries={options} empty="No common good is like that." />
    </Combobox.Root>
  </Field>
  {#if good && !good.plain}
    <p class="max-w-md text-clay">
      {good.say}
      {#if good.look.length > 0}Look for {good.look.map(asWords).join(', ')}.{/if}
    </p>
  {/if}
</div>
