<script lang="ts">
  import X from '@lucide/svelte/icons/x';
  import { Combobox } from 'bits-ui';
  import { tick } from 'svelte';
  import type { Schema } from '../api/client';
  import { calledSo } from './called';
  import Options from './Options.svelte';
  import { narrow } from './narrow';
  import type { Goal, GoalHolder } from './goals';

  /** What is to be reached: flags to clear, diets to fit. */
  let { holder, kitchen }: { holder: GoalHolder; kitchen: Schema['KitchenOut'] | undefined } =
    $props();

  let words = $state('');
  let chosen = $state(0);

  const flags = $derived(
    (kitchen?.flags ?? []).map((flag) => ({ what: 'clear' as const, ...flag }))
  );
  const diets = $derived((kitchen?.diets ?? []).map((diet) => ({ what: 'fit' as const, ...diet })));
  const shown = $derived(calledSo(flags, diets, words));
  const options = $derived(
    shown.map((goal) => ({
      value: goal.what + goal.id,
      label: goal.name,
      note: goal.what === 'clear' ? 'clear it' : 'diet'
    }))
  );
  const without = $derived(holder.goals.filter((goal) => goal.what === 'clear'));
  const fitting = $derived(holder.goals.filter((goal) => goal.what === 'fit'));

  /** The box starts anew after each goal, as it would otherwise keep the goal's name. */
  async function choose(key: string) {
    const goal = [...flags, ...diets].find((known) => known.what + known.id === key);
    if (goal) holder.add({ what: goal.what, id: goal.id, name: goal.name });
    words = '';
    chosen += 1;
    await tick();
    document.getElementById('add-goal')?.focus();
  }
</script>

{#snippet chip(goal: Goal)}
  <button
    type="button"
    class="flex h-11 items-center gap-1.5 border-b-3 border-ladle px-1.5 font-name text-name font-strong"
    aria-label="Drop the goal {goal.name}"
    onclick={() => holder.drop(goal)}
  >
    {goal.name.toLowerCase()}<X size={16} aria-hidden="true" />
  </button>
{/snippet}

<div
  class="flex min-w-0 max-w-full flex-1 basis-80 flex-wrap items-center gap-3 pt-3 pb-1.5 text-head"
>
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
        class="field h-14 min-w-0 max-w-[26rem] flex-1 basis-64 text-name placeholder:text-soft"
        placeholder={holder.goals.length > 0
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
