<script lang="ts">
  import { Combobox } from 'bits-ui';
  import { Finder } from '../ui/finder.svelte';
  import { narrow } from '../ui/narrow';
  import Options from '../ui/Options.svelte';
  import { navigate } from './routes';

  const finder = new Finder();
  let opened = $state(0);

  function open(item: string) {
    const chosen = finder.shown.find((entry) => entry.item === item);
    if (!chosen) return;
    const id = item.split('/')[0] ?? item;
    if (chosen.what === 'product') void navigate('/larder/:id', { params: { id } });
    else void navigate('/pots/:id', { params: { id } });
    finder.words = '';
    opened += 1;
  }
</script>

<!-- A phone has no room for the whole sentence; the label says it. The box starts anew after each find, as it would otherwise keep the found name. -->
{#key opened}
  <Combobox.Root type="single" onValueChange={open} inputValue={finder.words}>
    <div class="relative">
      <Combobox.Input
        id="find"
        placeholder={narrow.current ? 'Find' : 'Find a pot, jar or plate'}
        aria-label="Find a pot, jar or plate"
        class="field pr-10 placeholder:text-soft max-[43.75rem]:pr-3"
        autocomplete="off"
        onfocus={() => (finder.wanted = true)}
        oninput={(event) => (finder.words = event.currentTarget.value)}
      />
      <kbd
        aria-hidden="true"
        class="amount pointer-events-none absolute top-[11px] right-3 max-[43.75rem]:hidden border border-edge px-1.5 text-base text-soft"
      >
        /
      </kbd>
    </div>
    <Options entries={finder.options} empty="Nothing has that in its name." wide />
  </Combobox.Root>
{/key}
