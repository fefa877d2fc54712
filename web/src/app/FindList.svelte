<script lang="ts">
  import { Combobox } from 'bits-ui';
  import { untrack } from 'svelte';
  import { Finder } from '../ui/finder.svelte';
  import Options from '../ui/Options.svelte';
  import { navigate } from './routes';

  /** The find box with its list, for whoever has come to it; it takes the focus over. */
  let { placeholder, box, typed }: { placeholder: string; box: string; typed: string } = $props();

  const finder = new Finder();
  finder.words = untrack(() => typed);
  let opened = $state(0);
  let input = $state<HTMLInputElement | null>(null);
  let open = $state(untrack(() => typed !== ''));

  $effect(() => {
    if (opened === 0) input?.focus();
  });

  function go(item: string) {
    const chosen = finder.shown.find((entry) => entry.item === item);
    if (!chosen) return;
    const id = item.split('/')[0] ?? item;
    if (chosen.what === 'product') void navigate('/larder/:id', { params: { id } });
    else void navigate('/pots/:id', { params: { id } });
    finder.words = '';
    opened += 1;
  }
</script>

<!-- The box starts anew after each find, as it would otherwise keep the found name. -->
{#key opened}
  <Combobox.Root type="single" bind:open onValueChange={go} inputValue={finder.words}>
    <Combobox.Input
      bind:ref={input}
      id="find"
      {placeholder}
      aria-label="Find a pot, jar or plate"
      class={box}
      autocomplete="off"
      defaultValue={finder.words}
      onfocus={() => (finder.wanted = true)}
      oninput={(event) => (finder.words = event.currentTarget.value)}
    />
    <Options entries={finder.options} empty="Nothing has that in its name." wide />
  </Combobox.Root>
{/key}
