<script lang="ts">
  import { Combobox } from 'bits-ui';
  import { untrack } from 'svelte';
  import { kitchenQuery } from '../api/queries';
  import { calledSo } from '../ui/called';
  import { Finder } from '../ui/finder.svelte';
  import Options from '../ui/Options.svelte';
  import { navigate } from './routes';

  /** The find box with its list, for whoever has come to it; it takes the focus over. */
  let { placeholder, box, typed }: { placeholder: string; box: string; typed: string } = $props();

  const ASK = 'ask:';
  const MIN_ASKED = 3;
  const kitchen = kitchenQuery();
  const finder = new Finder();
  finder.words = untrack(() => typed);
  let opened = $state(0);
  let input = $state<HTMLInputElement | null>(null);
  let open = $state(untrack(() => typed !== ''));

  $effect(() => {
    if (opened === 0) input?.focus();
  });

  /** What a guest may call a flag or a diet leads to the plates that it leaves. */
  const goals = $derived.by(() => {
    if (finder.words.trim().length < MIN_ASKED) return [];
    const { diets = [], flags = [] } = kitchen.data ?? {};
    return calledSo(
      flags.map((flag) => ({ what: 'clear' as const, ...flag })),
      diets.map((diet) => ({ what: 'fit' as const, ...diet })),
      finder.words
    ).map(({ what, id, name }) => ({
      value: `${ASK}${what}=${id}`,
      label: what === 'fit' ? name : `without ${name.toLowerCase()}`,
      note: 'what can a guest have'
    }));
  });

  function go(item: string) {
    if (item.startsWith(ASK)) {
      const [what = '', id = ''] = item.slice(ASK.length).split('=');
      void navigate('/can-have', { search: { [what]: id } });
      finder.words = '';
      opened += 1;
      return;
    }
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
    <Options entries={[...finder.options, ...goals]} empty="Nothing has that in its name." wide />
  </Combobox.Root>
{/key}
