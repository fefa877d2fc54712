<script lang="ts">
  import LevelLists from '../marks/LevelLists.svelte';
  import { amountText } from '../pot/lines';
  import type { Bench, Plan, Plans } from './bench.svelte';
  import FlagChanges from './FlagChanges.svelte';
  import SwapText from './SwapText.svelte';

  /** Now and each plan side by side: what changes, what it carries then, and at what price. */
  let { bench, plans }: { bench: Bench; plans: Plans } = $props();

  const counted = (count: number, thing: string) => `${count} ${thing}${count === 1 ? '' : 's'}`;
  const head = (plan: Plan) =>
    `${counted(plan.swaps.length, 'swap')}${plan.meets ? '' : ', falls short'}`;
  const lines = $derived([
    ...new Map(
      plans.plans
        .flatMap((plan) => plan.swaps)
        .map((entry) => [`${entry.swap.in} ${entry.swap.line}`, entry])
    ).values()
  ]);
  const row = 'border-t border-rule px-3 py-2 text-left align-top leading-[1.28]';
  const rowHead =
    'w-[116px] border-t border-rule py-2 pr-3 text-left align-top font-[450] text-soft';
  const on = (index: number) => (bench.picked === index ? 'bg-ladle-pale' : '');
</script>

<table class="w-full table-fixed border-collapse">
  <thead>
    <tr>
      <td class="w-[116px]"></td>
      <th scope="col" class="w-[19%] px-3 pb-2 text-left font-name text-[20px]">Now</th>
      {#each plans.plans as plan, index (index)}
        <th
          scope="col"
          class={[
            'p-0 text-left',
            on(index),
            bench.picked === index && 'border-t-[6px] border-ladle'
          ]}
        >
          <button
            type="button"
            aria-pressed={bench.picked === index}
            class="min-h-11 w-full px-3 pt-1 pb-2 text-left"
            onclick={() => (bench.picked = index)}
          >
            <span class="font-name text-[20px]">Plan {index + 1}</span>
            <span class="block text-note font-normal text-soft">{head(plan)}</span>
          </button>
        </th>
      {/each}
    </tr>
  </thead>
  <tbody>
    <tr>
      <th scope="row" class={rowHead}>Carries</th>
      <td class={row}>
        <LevelLists flags={plans.flags_now} />
      </td>
      {#each plans.plans as plan, index (index)}
        <td class={[row, on(index)]}><FlagChanges {plan} now={plans.flags_now} /></td>
      {/each}
    </tr>
    <tr>
      <th scope="row" class={rowHead}>Change</th>
      <td class={[row, 'text-soft']}>
        {#each lines as entry (entry.swap.in + entry.swap.line)}
          <p class="mb-1">
            {entry.in_name}: {entry.from_name}
            <span class="amount block text-note">
              {amountText(entry.quantity_before, entry.unit_before)}
            </span>
          </p>
        {/each}
      </td>
      {#each plans.plans as plan, index (index)}
        <td class={[row, on(index)]}>
          {#each plan.swaps as entry (entry.swap.in + entry.swap.line)}<SwapText {entry} />{/each}
        </td>
      {/each}
    </tr>
    <tr>
      <th scope="row" class={rowHead}>On the spoon</th>
      <td class={[row, 'text-soft']}>as it is</td>
      {#each plans.plans as plan, index (index)}
        <td class={[row, on(index)]}>
          {#each new Set(plan.swaps.map((entry) => entry.thickness).filter(Boolean)) as text (text)}
            <p>{text}</p>
          {/each}
        </td>
      {/each}
    </tr>
    <tr>
      <th scope="row" class={rowHead}>As small pots</th>
      <td class={[row, 'text-soft']}>none</td>
      {#each plans.plans as plan, index (index)}
        <td class={[row, on(index)]}>
          {counted(plan.pots.length, 'pot')} beside the usual: {plan.pots
            .map((pot) => pot.name)
            .join(' → ')}
        </td>
      {/each}
    </tr>
    <tr>
      <th scope="row" class={rowHead}>For all</th>
      <td class={[row, 'text-soft']}>nothing</td>
      {#each plans.plans as plan, index (index)}
        <td class={[row, on(index)]}>
          {plan.for_all.sentence}
          {#if plan.also.length > 0}
            <span class="text-soft"
              >Made differently: {plan.also.map((pot) => pot.name).join(', ')}.</span
            >
          {/if}
        </td>
      {/each}
    </tr>
    <tr>
      <th scope="row" class={rowHead}>Mind</th>
      <td class={row}></td>
      {#each plans.plans as plan, index (index)}
        <td class={[row, on(index)]}>
          {#each new Set(plan.swaps.map((entry) => entry.caution).filter(Boolean)) as text (text)}
            <p class="mb-1 text-clay">{text}</p>
          {/each}
        </td>
      {/each}
    </tr>
  </tbody>
</table>
