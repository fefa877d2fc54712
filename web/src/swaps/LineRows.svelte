<script lang="ts">
  import { amountText } from '../pot/lines';
  import type { Bench, Plan } from './bench.svelte';
  import SwapText from './SwapText.svelte';

  /** The lines that some plan changes, each across all the plans: what is there, what comes. */
  let {
    bench,
    shown,
    row,
    rowHead,
    on
  }: {
    bench: Bench;
    shown: { at: number; plan: Plan }[];
    row: string;
    rowHead: string;
    on: (at: number) => string;
  } = $props();

  const key = (entry: Plan['swaps'][number]) => `${entry.swap.in} ${entry.swap.line}`;
  const lines = $derived([
    ...new Map(shown.flatMap(({ plan }) => plan.swaps).map((entry) => [key(entry), entry])).values()
  ]);
</script>

{#each lines as line (key(line))}
  <tr>
    <th scope="row" class={rowHead}>In {line.in_name}</th>
    <td class={row}>
      {line.from_name}
      <span class="amount block text-note text-soft">
        {amountText(line.quantity_before, line.unit_before)}
      </span>
    </td>
    {#each shown as { at, plan } (at)}
      {@const entry = plan.swaps.find((other) => key(other) === key(line))}
      <td class={[row, on(at)]}>
        {#if entry}<SwapText {bench} {entry} />{:else}<span class="text-soft">—</span>{/if}
      </td>
    {/each}
  </tr>
{/each}
