<script lang="ts">
  import X from '@lucide/svelte/icons/x';
  import { Combobox } from 'bits-ui';
  import { tick } from 'svelte';
  import type { Schema } from '../../../api/client';
  import Options from '../../../ui/Options.svelte';
  import { narrow } from '../../../ui/narrow';
  import type { Bench, Goal } from './bench.svelte';

  /** What the plans are to reach: flags to clear, diets to fit. */
  let { bench, kitchen }: { bench: Bench; kitchen: Schema['KitchenOut'] | undefined } = $props();

  let words = $state('');
  let chosen = $state(0);

  const goals = $derived<Goal[]>([
    ...(kitchen?.flags ?? []).map((f) => ({ what: 'clear' as const, id: f.id, name: f.name })),
    ...(kitchen?.diets ?? []).map((d) => ({ what: 'fit' as const, id: d.id, name: d.name }))
  ]);
  const shown = $derived(goals.filter((g) => g.name.toLowerCase().includes(words.toLowerCase())));
  const options = $derived(
    shown.map((goal) => ({
      value: goal.what + goal.id,
      label: goal.name,
      note: goal.what === 'clear' ? 'clear it' : 'diet'
    }))
  );
  const without = $derived(bench.goals.filter((goal) => goal.what === 'clear'));
  const fitting = $derived(bench.goals.filter((goal) => goal.what === 'fit'));

  /** The box starts anew after each goal, as it would otherwise keep the goal's name. */
  async function choose(key: string) {
    const goal = goals.find((known) => known.what + known.id === key);
    if (goal) bench.add(goal);
    words = '';
    chosen += 1;
    await tick();
    document.getElementById('add-goal')?.focus();
  }
</script>

{#snippet chip(goal: Goal)}
  <button
    type="button"
    class="flex h-11 items-center gap-1.5 border-b-[3px] border-ladle px-1.5 font-name text-name font-[650]"
    aria-label="Drop the goal {goal.name}"
    onclick={() => bench.drop(goal)}
  >
    {goal.name.toLowerCase()}<X size={16} aria-hidden="true" />
  </button>
{/snippet}

<div class="flex flex-wrap items-center gap-3 pt-3 pb-1.5 text-head">
  {#if without.length > 0}
    <span>without</span>
    {#each without as goal (goal.id)}{@render chip(goal)}{/each}
  {/if}
  {#if fitting.length > 0}
    <span>{without.length > 0 ? 'and fit for' : 'fit for'}</span>
    {#each fitting as goal (goal.id)}{@render chip(goal)}{/each}
  {/if}
  {#key chosen}
    <Combobox.Root type="single" onValueChange={choose} inputValue={words}>
      <Combobox.Input
        id="add-goal"
        class="field h-14 w-[26rem] max-w-full text-name placeholder:text-soft"
        placeholder={bench.goals.length > 0
          ? 'and …'
          : narrow.current
            ? 'without … or fit for …'
            : 'What must go, or what must it suit?'}
        aria-label="Add a goal: a flag to clear or a diet to fit"
        autocomplete="off"
        oninput={(event) => (words = event.currentTarget.value)}
      />
      <Options entries={options} empty="No such flag or diet." />
    </Combobox.Root>
  {/key}
</div>
