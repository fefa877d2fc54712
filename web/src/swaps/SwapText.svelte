<script lang="ts">
  import { Collapsible } from 'bits-ui';
  import type { Schema } from '../api/client';
  import { amountText } from '../pot/lines';

  /** One swap: what for what, how much, where, and the steps that change. */
  let { entry }: { entry: Schema['SwapOut'] } = $props();
  const before = $derived(amountText(entry.quantity_before, entry.unit_before));
  const after = $derived(amountText(entry.swap.quantity, entry.swap.unit));
</script>

<div class="mb-2">
  {#if entry.to_name === null}
    <b class="font-[650]">leave out</b> {entry.from_name}
  {:else}
    <b class="font-[650]">{entry.to_name}</b> for {entry.from_name}
  {/if}
  <span class="block text-note text-soft">in {entry.in_name}</span>
  {#if entry.to_name !== null}
    <span class="amount block text-note">{before} <span aria-label="becomes">→</span> {after}</span>
  {/if}
  {#if entry.method.length > 0}
    <Collapsible.Root>
      <Collapsible.Trigger class="min-h-8 text-note underline underline-offset-4">
        Steps that change
      </Collapsible.Trigger>
      <Collapsible.Content>
        <ol class="list-decimal pl-5 text-note">
          {#each entry.method as step (step)}<li>{step}</li>{/each}
        </ol>
      </Collapsible.Content>
    </Collapsible.Root>
  {/if}
</div>
