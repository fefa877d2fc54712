<script lang="ts">
  import Plus from '@lucide/svelte/icons/plus';
  import type { Schema } from '../../../api/client';
  import Button from '../../../ui/Button.svelte';
  import type { CardDraft } from './cardDraft.svelte';
  import Reorder from './Reorder.svelte';
  import StepEdit from './StepEdit.svelte';

  /** The method of a card. */
  let { draft, offered }: { draft: CardDraft; offered: Schema['OfferedOut'][] } = $props();

  const HEATS = ['bare simmer', 'simmer', 'boil', 'low', 'medium', 'high', 'off the heat'];
</script>

<datalist id="heats">
  {#each HEATS as heat (heat)}<option value={heat}></option>{/each}
</datalist>
<Reorder entries={draft.steps} what="Step" move={(from, to) => draft.move('method', from, to)}>
  {#snippet entry(step, index, onmove, dragging)}
    <StepEdit
      {draft}
      {step}
      {index}
      offered={offered.filter((each) => each.step === index)}
      {onmove}
      {dragging}
    />
  {/snippet}
</Reorder>
{#if draft.steps.length === 0}<p class="text-soft">No step is written yet.</p>{/if}
<div class="mt-3">
  <Button onclick={() => draft.addStep()}><Plus size={18} aria-hidden="true" />Add a step</Button>
</div>
