<script lang="ts">
  import ChevronRight from '@lucide/svelte/icons/chevron-right';
  import { amountText } from '../../../lib/lines';
  import { figure } from '../../../lib/spoon';
  import type { Plan } from './bench.svelte';

  /** The pots of a plan as they are made for the covers; each opens to its scaled card. */
  let { plan }: { plan: Plan } = $props();

  const makes = ({ card }: Plan['small_pots'][number]) =>
    card.portions !== null
      ? amountText(card.portions, 'portion')
      : card.yield_quantity !== null
        ? amountText(card.yield_quantity, card.yield_unit ?? '')
        : `${figure(card.factor)} times the card`;
</script>

{#each plan.small_pots as small (small.pot.id)}
  <details class="group text-base" data-small-pot={small.pot.id}>
    <summary class="flex min-h-11 cursor-pointer list-none items-center gap-1">
      <ChevronRight size={16} aria-hidden="true" class="flex-none group-open:rotate-90" />
      <span>
        {plan.names[small.pot.id] ?? small.pot.name}, <span class="amount">{makes(small)}</span>
      </span>
    </summary>
    {#if small.told}<p class="mb-1 text-soft">{small.told}</p>{/if}
    <ul class="mb-2">
      {#each small.card.lines as line (line.index)}
        <li><span class="amount">{amountText(line.quantity, line.unit)}</span> {line.name}</li>
      {/each}
    </ul>
    {#each small.card.warnings as warning (warning)}
      <p class="mb-2 text-clay">{warning}</p>
    {/each}
  </details>
{/each}
