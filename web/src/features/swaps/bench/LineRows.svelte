<script lang="ts">
  import { amountText } from '../../../lib/lines';
  import type { Bench, Plan } from './bench.svelte';
  import SwapText from './SwapText.svelte';

  /** The lines and tools that some plan changes, each across all the plans: what is there, what comes. */
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
  const cleanKey = (entry: Plan['cleaned'][number]) => `${entry.move.in} ${entry.move.tool}`;
  const tools = $derived([
    ...new Map(
      shown.flatMap(({ plan }) => plan.cleaned).map((entry) => [cleanKey(entry), entry])
    ).values()
  ]);
  const lines = $derived([
    ...new Map(shown.flatMap(({ plan }) => plan.swaps).map((entry) => [key(entry), entry])).values()
  ]);
</script>

{#each lines as line (key(line))}
  <tr>
    <th scope="row" class={rowHead}>In {line.in_name}</th>
    <td class={row}>
      {line.from_name}
      <span class="amount block text-base text-soft">
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
{#each tools as tool (cleanKey(tool))}
  <tr>
    <th scope="row" class={rowHead}>In {tool.in_name}</th>
    <td class={row}>{tool.move.tool}, shared</td>
    {#each shown as { at, plan } (at)}
      {@const entry = plan.cleaned.find((other) => cleanKey(other) === cleanKey(tool))}
      <td class={[row, on(at)]}>
        {#if entry}<b class="font-strong">{entry.tool_name}</b>{:else}<span class="text-soft"
            >—</span
          >{/if}
      </td>
    {/each}
  </tr>
{/each}
