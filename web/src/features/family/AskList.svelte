<script lang="ts">
  import ChevronDown from '@lucide/svelte/icons/chevron-down';
  import { Combobox } from 'bits-ui';
  import { untrack } from 'svelte';
  import { calledSo } from '../../ui/called';
  import Options from '../../ui/Options.svelte';
  import type { Ask } from './board.svelte';

  /** The box for a flag or a diet with its list; it takes the focus over, and opens if it shall. */
  let {
    asks,
    asked,
    box,
    typed,
    listed,
    onchoose
  }: {
    asks: Ask[];
    asked: Ask | null;
    box: string;
    /** What was typed before the list was there. */
    typed: string;
    listed: boolean;
    onchoose: (ask: Ask | null) => void;
  } = $props();

  let words = $derived(asked?.name ?? '');
  let open = $state(untrack(() => listed || typed !== ''));
  untrack(() => {
    if (typed) words = typed;
  });
  let input = $state<HTMLInputElement | null>(null);
  let entered = false;

  $effect(() => {
    if (!input || entered) return;
    entered = true;
    input.focus();
    // What was typed goes on, and is not selected as an old question is.
    if (typed) input.setSelectionRange(typed.length, typed.length);
  });

  const shown = $derived(
    words === asked?.name
      ? asks
      : calledSo(
          asks.filter((ask) => ask.what === 'flag'),
          asks.filter((ask) => ask.what === 'diet'),
          words
        )
  );
  const options = $derived(
    shown.map((ask) => ({
      value: ask.what + ask.id,
      label: ask.name,
      note: ask.what === 'diet' ? 'diet' : ''
    }))
  );
</script>

{#key asked}
  <Combobox.Root
    type="single"
    bind:open
    onValueChange={(key) => onchoose(asks.find((ask) => ask.what + ask.id === key) ?? null)}
    inputValue={words}
  >
    <div class="relative">
      <Combobox.Input
        bind:ref={input}
        id="ask"
        aria-label="Flag or diet to show"
        placeholder="a flag or a diet"
        autocomplete="off"
        defaultValue={words}
        class={box}
        onfocus={(event) => event.currentTarget.select()}
        oninput={(event) => (words = event.currentTarget.value)}
      />
      <Combobox.Trigger
        class="absolute top-0 right-0 grid h-11 w-8 place-items-center"
        aria-label="List the flags and diets"
      >
        <ChevronDown size={18} aria-hidden="true" />
      </Combobox.Trigger>
    </div>
    <Options entries={options} empty="No such flag or diet." />
  </Combobox.Root>
{/key}
