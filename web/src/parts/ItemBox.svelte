<script lang="ts">
  import { Combobox } from 'bits-ui';
  import { untrack } from 'svelte';
  import { Finder } from './finder.svelte';
  import Options from './Options.svelte';

  /** Finds what a line can be made of, by any part of its name. */
  let {
    item = $bindable(),
    name = '',
    label = 'Item',
    id,
    only
  }: {
    item: string;
    name?: string;
    label?: string;
    id: string;
    only?: 'product';
  } = $props();

  const finder = new Finder(untrack(() => only));
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
  <Options entries={finder.options} empty="Nothing has that in its name." above />
</Combobox.Root>
