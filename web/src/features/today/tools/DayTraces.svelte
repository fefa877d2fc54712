<script lang="ts">
  import type { Schema } from '../../../api/client';
  import { asWords } from '../../../lib/levels';
  import PotMark from '../../../ui/marks/PotMark.svelte';
  import { p } from '../../../app/routes';

  /** What the tools of the day add to the book: traces, pot by pot. */
  let { day }: { day: Schema['DayOut'] | undefined } = $props();
</script>

<section aria-labelledby="day" class="pt-3">
  <h2 id="day" class="text-lead">Traces today</h2>
  {#if day}
    <p class="text-soft">{day.day}, besides what the cards carry</p>
    <ul data-traces>
      {#each day.traces as trace (trace.id)}
        <li class="border-b border-rule py-2">
          <a class="font-amount underline" href={p('/pots/:id', { params: { id: trace.id } })}>
            {trace.name}
          </a>
          <p class="flex items-start gap-1.5">
            <PotMark level="may_contain" />may contain {trace.flags.map(asWords).join(', ')}
          </p>
          <p class="text-soft">{trace.through.join('; ')}</p>
        </li>
      {:else}
        <li class="py-2">No traces by tools are noted today.</li>
      {/each}
    </ul>
    {#if day.uses.length > 0}
      <h3 class="mt-4 text-lead">In this order</h3>
      <ol class="list-decimal pl-5">
        {#each day.uses as use, index (index)}
          <li>
            {use.tool}: {use.item?.name ?? 'washed'}
            <span class="text-soft">
              {use.at.slice(0, 10) < day.day ? `since ${use.at.slice(0, 10)}, not washed` : ''}
              {use.person ?? ''}
            </span>
          </li>
        {/each}
      </ol>
    {/if}
  {/if}
</section>
