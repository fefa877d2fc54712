<script lang="ts">
  import { Collapsible } from 'bits-ui';
  import { minutesText } from '../../../lib/spoon';
  import type { Plan } from './bench.svelte';

  /** The steps that change, in the cards' own order, with the time that they add or save. */
  let { plan }: { plan: Plan } = $props();

  const words = { added: 'new', changed: 'changed', dropped: 'dropped' } as const;
  const time = $derived(
    plan.minutes === 0
      ? 'no more time'
      : `${minutesText(Math.abs(plan.minutes))} ${plan.minutes > 0 ? 'more' : 'less'}`
  );
</script>

<p>{plan.steps.length} steps, {time}</p>
{#if plan.steps.length > 0}
  <Collapsible.Root>
    <Collapsible.Trigger class="min-h-11 text-base underline underline-offset-4">
      Steps that change
    </Collapsible.Trigger>
    <Collapsible.Content>
      <ol class="text-base">
        {#each plan.steps as step, at (at)}
          <li class="mb-1.5">
            <span class="text-soft">{step.pot}, {words[step.kind]}:</span>
            <span class={[step.kind === 'dropped' && 'line-through']}>{step.text}</span>
            {#if step.minutes}<span class="amount text-soft">{minutesText(step.minutes)}</span>{/if}
          </li>
        {/each}
      </ol>
    </Collapsible.Content>
  </Collapsible.Root>
{/if}
