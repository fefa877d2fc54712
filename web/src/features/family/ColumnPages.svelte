<script lang="ts">
  import type { Schema } from '../../api/client';

  /** On a phone one column stands at a time, with the way to the left and to the right. */
  let { columns, at = $bindable() }: { columns: Schema['ColumnOut'][]; at: number } = $props();

  const turn = 'min-h-11 whitespace-nowrap underline underline-offset-4';
</script>

<div
  class="sticky top-0 z-20 hidden items-baseline justify-between gap-3 bg-porcelain max-phone:flex"
>
  {#if columns[at - 1]}
    <button type="button" class={turn} onclick={() => (at -= 1)}>← {columns[at - 1]?.name}</button>
  {:else}<span></span>{/if}
  <span class="font-name text-lead font-strong" aria-live="polite">{columns[at]?.name}</span>
  {#if columns[at + 1]}
    <button type="button" class={turn} onclick={() => (at += 1)}>{columns[at + 1]?.name} →</button>
  {:else}<span></span>{/if}
</div>
