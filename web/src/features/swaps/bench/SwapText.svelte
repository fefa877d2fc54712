<script lang="ts">
  import type { Schema } from '../../../api/client';
  import { amountText } from '../../../lib/lines';
  import type { Bench } from './bench.svelte';

  /** One swap of a line: what comes instead, how much and why so much, and what was found with it here. */
  let { bench, entry }: { bench: Bench; entry: Schema['SwapOut'] } = $props();
  const small = 'min-h-11 text-base whitespace-nowrap underline underline-offset-4';
</script>

<div>
  <b class="font-strong">{entry.to_name ?? 'left out'}</b>
  {#if entry.to_name !== null}
    <span class="amount block text-base">
      {amountText(entry.swap.quantity, entry.swap.unit)}
    </span>
  {/if}
  {#if entry.why}<span class="block text-base text-soft">{entry.why}</span>{/if}
  {#if entry.adds.length > 0}
    <span class="block text-base" data-adds>and with it {entry.adds.join(', ')}</span>
  {/if}
  {#if entry.or_names.length > 0}
    <span class="block text-base text-soft">or {entry.or_names.join(', ')}</span>
  {/if}
  <div class="flex flex-wrap gap-x-4">
    {#if entry.swap.to !== null}
      <button
        type="button"
        class={small}
        aria-label="not this: {entry.to_name}"
        onclick={() => bench.bar(entry.swap.to ?? '', entry.to_name ?? '')}>not this</button
      >
    {/if}
    <button
      type="button"
      class={small}
      aria-label="keep the original: {entry.from_name} in {entry.in_name}"
      onclick={() => bench.keep(entry.swap, entry.from_name)}>keep the original</button
    >
  </div>
  {#each entry.notes as note (note.text + note.date)}
    <span class="block text-base text-clay">“{note.text}”, {note.date}</span>
  {/each}
</div>
