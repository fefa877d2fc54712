<script lang="ts">
  import ChevronDown from '@lucide/svelte/icons/chevron-down';
  import Plus from '@lucide/svelte/icons/plus';
  import { Command, Popover } from 'bits-ui';
  import type { Level, Schema } from '../api/client';
  import { levelWord } from '../marks/levels';
  import PotMark from '../marks/PotMark.svelte';
  import Act from '../parts/Act.svelte';
  import type { Ask, Board } from './board.svelte';
  import { verdictColour, verdictWord } from './verdicts';

  let {
    board,
    kitchen,
    onrecord
  }: { board: Board; kitchen: Schema['KitchenOut'] | undefined; onrecord: () => void } = $props();

  let open = $state(false);
  const LEVELS: Level[] = ['contains', 'may_contain', 'unchecked', 'free'];
  const VERDICTS = ['does_not_suit', 'ask', 'suits'] as const;

  const asks = $derived<Ask[]>([
    ...(kitchen?.flags ?? []).map((f) => ({ what: 'flag' as const, id: f.id, name: f.name })),
    ...(kitchen?.diets ?? []).map((d) => ({ what: 'diet' as const, id: d.id, name: d.name }))
  ]);

  function choose(ask: Ask | null) {
    board.ask = ask;
    open = false;
  }
</script>

<div class="col-span-2 flex items-center gap-3.5 border-b border-rule px-5 max-[1000px]:col-span-1">
  <span class="text-[20px]">Show me</span>
  <Popover.Root bind:open>
    <Popover.Trigger
      class="flex h-11 items-center gap-1.5 border-b-[3px] border-ladle px-1.5 font-name text-[20px] font-[650]"
    >
      {board.ask?.name.toLowerCase() ?? 'a flag or a diet'}
      <ChevronDown size={18} aria-hidden="true" />
    </Popover.Trigger>
    <Popover.Portal>
      <Popover.Content
        align="start"
        sideOffset={4}
        aria-label="Flag or diet to show"
        class="z-50 w-80 border border-edge bg-sheet"
      >
        <Command.Root class="flex flex-col">
          <Command.Input
            class="field border-x-0 border-t-0"
            placeholder="Flag or diet"
            aria-label="Flag or diet"
          />
          <Command.List class="max-h-[60vh] overflow-y-auto py-1">
            <Command.Viewport>
              <Command.Empty class="px-3 py-2 text-soft">No such flag or diet.</Command.Empty>
              {#if board.ask}
                <Command.Item
                  value="nothing"
                  onSelect={() => choose(null)}
                  class="flex min-h-11 items-center px-3 data-selected:bg-ladle-pale"
                >
                  nothing in particular
                </Command.Item>
              {/if}
              {#each asks as ask (ask.what + ask.id)}
                <Command.Item
                  value={ask.name}
                  onSelect={() => choose(ask)}
                  class="flex min-h-11 items-center justify-between px-3 data-selected:bg-ladle-pale"
                >
                  {ask.name}
                  {#if ask.what === 'diet'}<span class="text-note text-soft">diet</span>{/if}
                </Command.Item>
              {/each}
            </Command.Viewport>
          </Command.List>
        </Command.Root>
      </Popover.Content>
    </Popover.Portal>
  </Popover.Root>
  <span class="text-[20px]">in every pot</span>
  <ul class="ml-auto flex gap-4.5 text-soft" aria-label="How many pots">
    {#if board.ask?.what === 'flag'}
      {#each LEVELS as level (level)}
        <li class="flex items-center gap-1.5 whitespace-nowrap">
          <PotMark {level} decorative />{board.tally.get(level) ?? 0}
          {levelWord(level)}
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
  <Act onclick={onrecord}><Plus size={18} aria-hidden="true" />Record a pot</Act>
</div>
