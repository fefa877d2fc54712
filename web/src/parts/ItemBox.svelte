<script lang="ts">
  import { Combobox } from 'bits-ui';
  import { untrack } from 'svelte';
  import { answer, api, type Schema } from '../api/client';

  /** Finds what a line can be made of, by any part of its name. */
  let {
    item = $bindable(),
    name = '',
    label = 'Item',
    id
  }: { item: string; name?: string; label?: string; id: string } = $props();

  let words = $state(untrack(() => name));
  let found = $state<Schema['FoundOut'][]>([]);

  async function look(text: string) {
    words = text;
    const query = { q: text, limit: 30 };
    const result = await answer(api.GET('/api/v1/find', { params: { query } }));
    if (text === words) found = result;
  }

  function choose(value: string) {
    item = value;
    words = found.find((entry) => entry.item === value)?.name ?? words;
  }
</script>

<Combobox.Root type="single" value={item} onValueChange={choose} inputValue={words}>
  <Combobox.Input
    {id}
    aria-label={label}
    class="field"
    autocomplete="off"
    onfocus={() => look('')}
    oninput={(event) => look(event.currentTarget.value)}
    defaultValue={words}
  />
  <Combobox.Portal>
    <Combobox.Content
      sideOffset={4}
      class="z-[60] max-h-72 w-[var(--bits-combobox-anchor-width)] overflow-y-auto border border-edge bg-sheet text-ink"
    >
      {#each found as entry (entry.item)}
        <Combobox.Item
          value={entry.item}
          label={entry.name}
          class="flex min-h-11 items-center justify-between gap-3 px-3 data-highlighted:bg-ladle-pale"
        >
          {entry.name}
          <span class="text-note whitespace-nowrap text-soft">
            {entry.what === 'product' ? 'larder' : entry.kind}
          </span>
        </Combobox.Item>
      {:else}
        <p class="px-3 py-3 text-soft">Nothing has that in its name.</p>
      {/each}
    </Combobox.Content>
  </Combobox.Portal>
</Combobox.Root>
