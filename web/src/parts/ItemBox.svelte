<script lang="ts">
  import { Combobox } from 'bits-ui';
  import { untrack } from 'svelte';
  import { Finder } from './finder.svelte';

  /** Finds what a line can be made of, by any part of its name. */
  let {
    item = $bindable(),
    name = '',
    label = 'Item',
    id
  }: { item: string; name?: string; label?: string; id: string } = $props();

  const finder = new Finder();
  let shown = $state(untrack(() => name));

  function choose(value: string) {
    item = value;
    shown = finder.name(value) ?? shown;
  }

  function type(text: string) {
    shown = text;
    finder.words = text;
  }

  /** All is offered again when the box is entered, whatever it holds. */
  function enter() {
    finder.wanted = true;
    finder.words = '';
  }
</script>

<Combobox.Root type="single" value={item} onValueChange={choose} inputValue={shown}>
  <Combobox.Input
    {id}
    aria-label={label}
    class="field"
    autocomplete="off"
    onfocus={enter}
    oninput={(event) => type(event.currentTarget.value)}
    defaultValue={shown}
  />
  <Combobox.Portal>
    <Combobox.Content
      sideOffset={4}
      class="z-[60] max-h-72 w-[var(--bits-combobox-anchor-width)] overflow-y-auto border border-edge bg-sheet text-ink"
    >
      {#each finder.shown as entry (entry.item)}
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
