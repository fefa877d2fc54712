<script lang="ts">
  import type { ComponentProps } from 'svelte';
  import IconButton from '../../ui/IconButton.svelte';
  import ChevronDown from '@lucide/svelte/icons/chevron-down';
  import Plus from '@lucide/svelte/icons/plus';
  import X from '@lucide/svelte/icons/x';
  import type { Schema } from '../../api/client';
  import { LEVELS, levelWord } from '../../lib/levels';
  import PotMark from '../../ui/marks/PotMark.svelte';
  import { p } from '../../app/routes';
  import Button from '../../ui/Button.svelte';
  import { Late } from '../../ui/late.svelte';
  import PlainBox from '../../ui/PlainBox.svelte';
  import type AskList from './AskList.svelte';
  import type { Ask, Board } from './board.svelte';
  import { verdictColour, verdictWord } from '../../ui/marks/verdicts';

  let {
    board,
    kitchen,
    onrecord
  }: { board: Board; kitchen: Schema['KitchenOut'] | undefined; onrecord: () => void } = $props();

  const list = new Late<ComponentProps<typeof AskList>>(() => import('./AskList.svelte'));
  const List = $derived(list.component);
  let typed = $state('');
  /** Whether the list is to stand open as soon as it is there. */
  let listed = $state(false);
  const box =
    'h-11 w-52 border-b-3 border-ladle bg-transparent px-1.5 pr-8 font-name text-name font-strong placeholder:text-ink';
  const VERDICTS = ['does_not_suit', 'ask', 'suits'] as const;

  const asks = $derived<Ask[]>([
    ...(kitchen?.flags ?? []).map((flag) => ({ what: 'flag' as const, ...flag })),
    ...(kitchen?.diets ?? []).map((diet) => ({ what: 'diet' as const, ...diet }))
  ]);
</script>

<div
  class="col-span-2 flex items-center gap-3.5 border-b border-rule px-5 max-desk:col-span-1 max-phone:flex-wrap max-phone:gap-x-2 max-phone:gap-y-0 max-phone:px-3 max-phone:py-1"
>
  <span class="text-name whitespace-nowrap">Show me</span>
  {#if List}
    <List
      {asks}
      {box}
      {typed}
      {listed}
      asked={board.ask}
      onchoose={(ask: Ask | null) => (board.ask = ask)}
    />
  {:else}
    <div class="relative">
      <PlainBox
        id="ask"
        label="Flag or diet to show"
        placeholder="a flag or a diet"
        class={box}
        bind:words={typed}
        onenter={() => void list.want()}
      />
      <button
        type="button"
        class="absolute top-0 right-0 grid h-11 w-8 place-items-center"
        aria-label="List the flags and diets"
        onclick={() => {
          listed = true;
          void list.want();
        }}
      >
        <ChevronDown size={18} aria-hidden="true" />
      </button>
    </div>
  {/if}
  {#if board.ask}
    <IconButton label="Show nothing in particular" onclick={() => (board.ask = null)}
      ><X size={18} aria-hidden="true" /></IconButton
    >
  {/if}
  <span class="text-name whitespace-nowrap max-wall:hidden">in every pot</span>
  <ul
    class="ml-auto flex gap-4.5 text-soft max-phone:order-last max-phone:ml-0 max-phone:w-full max-phone:flex-wrap max-phone:gap-x-4 max-phone:gap-y-0"
    aria-label="How many pots"
  >
    {#if board.ask?.what === 'flag'}
      {#each LEVELS.toReversed() as level (level)}
        <li class="flex items-center gap-1.5 whitespace-nowrap">
          <PotMark {level} decorative />{board.tally.get(level) ?? 0}
          {level === 'contains' ? 'contain' : levelWord(level)}
        </li>
      {/each}
    {:else if board.ask}
      {#each VERDICTS as verdict (verdict)}
        <li class={['whitespace-nowrap', verdictColour(verdict)]}>
          {board.tally.get(verdict) ?? 0}
          {verdictWord(verdict)}
        </li>
      {/each}
    {/if}
  </ul>
  <Button href={p('/can-have')}
    ><span class="max-desk:hidden">What can a guest have?</span><span class="desk:hidden"
      >A guest?</span
    ></Button
  >
  <a class="flex min-h-11 items-center underline underline-offset-4" href={p('/grid')}>Grid</a>
  <span class="max-phone:ml-auto"
    ><Button onclick={onrecord}
      ><Plus size={18} aria-hidden="true" /><span class="max-phone:sr-only">Record a pot</span
      ></Button
    ></span
  >
</div>
