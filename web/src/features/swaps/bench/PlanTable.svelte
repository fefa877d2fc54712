<script lang="ts">
  import type { Snippet } from 'svelte';
  import Spoon from '../../../ui/Spoon.svelte';
  import LevelLists from '../../../ui/marks/LevelLists.svelte';
  import { amountText } from '../../../lib/lines';
  import type { Bench, Plan, Plans } from './bench.svelte';
  import FlagChanges from './FlagChanges.svelte';
  import LineRows from './LineRows.svelte';
  import Placements from './Placements.svelte';
  import PlanHead from './PlanHead.svelte';
  import SmallPots from './SmallPots.svelte';
  import StepList from './StepList.svelte';

  /** Now and the plans that are looked at, side by side: only what is different. */
  let { bench, plans }: { bench: Bench; plans: Plans } = $props();

  const shown = $derived(
    bench.shown.flatMap((at) => (plans.plans[at] ? [{ at, plan: plans.plans[at] }] : []))
  );
  const spoons = $derived([
    ...new Map(shown.flatMap(({ plan }) => plan.thickness).map((move) => [move.pot, move])).values()
  ]);
  const row = 'border-t border-rule px-3 py-2 text-left align-top leading-[1.28]';
  const rowHead =
    'w-[104px] border-t border-rule py-2 pr-3 text-left align-top font-book text-soft';
  const on = (at: number) => (bench.picked === at ? 'bg-ladle-pale' : '');
  const tells = (text: string) => !['', 'The same.', 'No change.'].includes(text);
  const share = (value: number) => `${Math.round(value * 100)} %`;
</script>

{#snippet across(name: string, now: Snippet, each: Snippet<[Plan]>)}
  <tr>
    <th scope="row" class={rowHead}>{name}</th>
    <td class={[row, 'text-soft']}>{@render now()}</td>
    {#each shown as { at, plan } (at)}
      <td class={[row, on(at)]}>{@render each(plan)}</td>
    {/each}
  </tr>
{/snippet}

{#snippet nothing()}—{/snippet}
{#snippet carriesNow()}<LevelLists
    flags={plans.flags_now}
    tools={plans.tool_traces_now}
  />{/snippet}
{#snippet carries(plan: Plan)}<FlagChanges {plan} now={plans.flags_now} />{/snippet}
{#snippet besides(plan: Plan)}
  {#each plan.adjustments as part (part.in_name + part.name)}
    <p class="mb-2">
      {part.name} in {part.in_name}
      <span class="amount block text-base">
        {amountText(part.before, part.unit)} → {amountText(part.after, part.unit)}
      </span>
      <span class="block text-base text-soft">{part.why}</span>
    </p>
  {/each}
{/snippet}
{#snippet spoonsNow()}
  {#each spoons as move (move.pot)}
    <div class="mb-1 flex items-center gap-2">
      <Spoon stand={move.before} small /> <span>{move.pot}: {move.before.name}</span>
    </div>
  {/each}
{/snippet}
{#snippet spoonsThen(plan: Plan)}
  {#each plan.thickness as move (move.pot)}
    <div class="mb-1 flex items-center gap-2">
      <Spoon stand={move.after} small />
      <span>{move.pot}: {move.before.name === move.after.name ? 'the same' : move.after.name}</span>
    </div>
  {/each}
  {#each new Set(plan.swaps.map((entry) => entry.thickness).filter(tells)) as text (text)}
    <p class="text-base text-soft">{text}</p>
  {/each}
{/snippet}
{#snippet keeps(plan: Plan)}
  <p class="text-base">
    flavour {share(plan.fidelity.flavour)} · texture {share(plan.fidelity.texture)} · colour
    {share(plan.fidelity.colour)}
  </p>
  {#each plan.swaps.filter((entry) => entry.colour !== 'any') as entry (entry.swap.in + entry.swap.line)}
    <p class="text-base text-soft">{entry.to_name ?? entry.from_name}: right for {entry.colour}</p>
  {/each}
  {#if plan.swaps.some((entry) => entry.tasted)}<p class="text-base text-moss">tasted here</p>{/if}
  {#if plan.cost !== null}<p class="text-base">new goods cost {plan.cost.toFixed(2)}</p>{/if}
{/snippet}
{#snippet comes(plan: Plan)}
  {#each plan.cards as card (card.id)}
    <p class="text-base">
      {card.name}<span class="block text-soft">a card of ours, not yet made here</span>
    </p>
  {/each}
{/snippet}
{#snippet covers(plan: Plan)}<SmallPots {plan} />{/snippet}
{#snippet places(plan: Plan)}<Placements {plan} />{/snippet}
{#snippet steps(plan: Plan)}<StepList {plan} />{/snippet}
{#snippet cautions(plan: Plan)}
  {#each new Set(plan.swaps.map((entry) => entry.caution).filter(Boolean)) as text (text)}
    <p class="mb-1 text-clay">{text}</p>
  {/each}
{/snippet}

<table class="listed w-full table-fixed border-collapse">
  <thead>
    <tr>
      <td class="w-[104px]"></td>
      <th scope="col" class="w-[20%] px-3 pb-2 text-left align-top font-name text-name">Now</th>
      {#each shown as { at, plan } (at)}<PlanHead {bench} {plan} {at} />{/each}
    </tr>
  </thead>
  <tbody>
    {@render across('Carries', carriesNow, carries)}
    <LineRows {bench} {shown} {row} {rowHead} {on} />
    {#if shown.some(({ plan }) => plan.adjustments.length > 0)}
      {@render across('With it', nothing, besides)}
    {/if}
    {#if spoons.length > 0}{@render across('On the spoon', spoonsNow, spoonsThen)}{/if}
    {@render across('Keeps', nothing, keeps)}
    {#if shown.some(({ plan }) => plan.cards.length > 0)}
      {@render across('New cards', nothing, comes)}
    {/if}
    {#if shown.some(({ plan }) => plan.small_pots.length > 0)}
      {@render across(
        bench.covers === 1 ? 'For 1 cover' : `For ${bench.covers} covers`,
        nothing,
        covers
      )}
    {/if}
    {@render across('Where', nothing, places)}
    {@render across('Steps', nothing, steps)}
    {@render across('Mind', nothing, cautions)}
  </tbody>
</table>
