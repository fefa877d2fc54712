<script lang="ts">
  import { Combobox } from 'bits-ui';
  import { untrack } from 'svelte';
  import { sentence } from '../api/client';
  import { Finder } from './finder.svelte';
  import { newProduct } from './newProduct';
  import Options from './Options.svelte';

  /**
   * Finds what a line can be made of, by any part of its name. With `makes`, a name that nothing
   * has yet can become a new product, which starts not checked.
   */
  let {
    item = $bindable(),
    name = '',
    label = 'Item',
    id,
    only,
    makes = false,
    onnamed
  }: {
    item: string;
    name?: string;
    label?: string;
    id: string;
    only?: 'product' | 'preparation';
    makes?: boolean;
    onnamed?: (item: string, name: string) => void;
  } = $props();

  const NEW = 'new:';
  const finder = new Finder(untrack(() => only));
  let shown = $state(untrack(() => name));
  let trouble = $state('');

  const entries = $derived.by(() => {
    const words = finder.words.trim();
    if (!makes || !finder.loaded || words.length < 3 || finder.known) return finder.options;
    const fresh = { value: NEW + words, label: words, note: 'new, not checked' };
    return [...finder.options, fresh];
  });

  async function choose(value: string) {
    trouble = '';
    if (!value.startsWith(NEW)) {
      item = value;
      shown = finder.name(value) ?? shown;
      onnamed?.(item, shown);
      return;
    }
    const words = value.slice(NEW.length);
    try {
      const made = await newProduct(words);
      item = made;
      shown = words;
      onnamed?.(made, words);
    } catch (error) {
      trouble = sentence(error);
    }
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

<Combobox.Root
  type="single"
  value={item}
  onValueChange={(value) => void choose(value)}
  inputValue={shown}
>
  <Combobox.Input
    {id}
    aria-label={label}
    class="field"
    autocomplete="off"
    onfocus={enter}
    oninput={(event) => type(event.currentTarget.value)}
    defaultValue={shown}
  />
  <Options {entries} empty="Nothing has that in its name." above />
</Combobox.Root>
{#if trouble}<p class="text-clay">{trouble}</p>{/if}
