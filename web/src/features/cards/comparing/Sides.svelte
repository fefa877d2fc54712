<script lang="ts">
  import type { Schema } from '../../../api/client';
  import { figure, minutesText } from '../../../lib/spoon';
  import Spoon from '../../../ui/Spoon.svelte';
  import { asWords, levelWord, OWN_TOOLS } from '../../../lib/levels';
  import PotMark from '../../../ui/marks/PotMark.svelte';
  import SideCard from './SideCard.svelte';

  /** Two cards: first what differs in sentences and flags, then both in full. */
  let { comparison }: { comparison: Schema['ComparisonOut'] } = $props();

  const sides = $derived([comparison.left, comparison.right]);
  const lost = $derived(sides.filter((side) => side.flags === null));
  const time = (side: Schema['SideOut']) =>
    side.figures
      ? `${minutesText(side.figures.active_minutes)} hands-on, ${minutesText(side.figures.passive_minutes)} unattended`
      : '';
  const salt = (side: Schema['SideOut']) => side.figures?.numbers[0];
</script>

<div class="grid grid-cols-2 gap-6">
  {#each sides as side (side.side)}
    <div class="border-y border-b-3 border-rule border-b-ladle bg-sheet px-3 py-1.5">
      <h2 class="text-name leading-tight">{side.title}</h2>
      <p class="text-base text-soft">{time(side)}</p>
    </div>
  {/each}
</div>
<h3 class="mt-4 text-lead">Differences</h3>
<ul class="mt-1" data-differences>
  {#each comparison.differences as difference (difference.sentence)}
    <li class="border-b border-rule py-1">{difference.sentence}</li>
  {:else}
    <li class="text-soft">The cards are the same.</li>
  {/each}
</ul>
{#each lost as side (side.side)}
  <p class="mt-3" data-lost>
    {side.title}: something that it was made of is not in the book any more. What it carries is not
    known, and counts as not checked.
  </p>
{/each}
{#if comparison.flags.length > 0}
  <h3 class="mt-4 text-lead">Flags that differ</h3>
  <table class="listed mt-1 w-full text-left" data-flags>
    <thead class="sr-only">
      <tr><th scope="col">Flag</th><th scope="col">Left</th><th scope="col">Right</th></tr>
    </thead>
    <tbody>
      {#each comparison.flags as each (each.flag)}
        <tr class="border-b border-rule">
          <th scope="row" class="py-1 font-strong">{asWords(each.flag)}</th>
          {#each sides as side, at (at)}
            {@const level = at === 0 ? each.left : each.right}
            <td class="py-1">
              <span class="flex items-center gap-2"
                ><PotMark {level} />{levelWord(level)}{side.tool_traces.includes(each.flag)
                  ? ` (${OWN_TOOLS})`
                  : ''}</span
              >
            </td>
          {/each}
        </tr>
      {/each}
    </tbody>
  </table>
{:else if lost.length === 0}
  <p class="mt-3 text-moss">The flags are the same on both sides.</p>
{/if}
<div class="mt-4 grid grid-cols-2 gap-6">
  {#each sides as side (side.side)}
    <div>
      {#if side.figures?.thickness}
        <p class="flex items-center gap-3">
          <Spoon stand={side.figures.thickness.hot} />{side.figures.thickness.hot.name}
        </p>
      {/if}
      {#if salt(side)}
        <p class="text-base text-soft">
          salt {salt(side)?.at_least ? 'at least ' : ''}{figure(salt(side)?.value ?? 0)} g in 100 g
        </p>
      {/if}
      <SideCard {side} />
    </div>
  {/each}
</div>
