<script lang="ts">
  import Field from '../../../ui/Field.svelte';
  import { kitchenQuery } from '../../../api/queries';
  import Button from '../../../ui/Button.svelte';
  import type { CardDraft } from './cardDraft.svelte';

  /** What was filled and what came out on other days: they correct the estimate of the steam. */
  let { draft }: { draft: CardDraft } = $props();

  const kitchen = kitchenQuery();
  let filled = $state<number | null>(null);
  let out = $state<number | null>(null);
  let minutes = $state<number | null>(null);
  const reductions = $derived(draft.piece.batches ?? []);
  const whole = $derived(Boolean(filled && out && minutes && kitchen.data));

  function add() {
    if (!filled || !out || !minutes || !kitchen.data) return;
    const reduction = { date: kitchen.data.today, filled_l: filled, came_out_l: out, minutes };
    draft.piece.batches = [...reductions, reduction];
    filled = out = minutes = null;
  }
</script>

<h2 class="mt-5 text-lead">What came out before</h2>
<ul class="text-base">
  {#each reductions as reduction, index (index)}
    <li class="flex items-center gap-3">
      {reduction.date}: {reduction.filled_l} l filled, {reduction.came_out_l} l out, {reduction.minutes}
      min
      <button
        type="button"
        class="min-h-11 underline"
        onclick={() => (draft.piece.batches = reductions.filter((_, at) => at !== index))}
      >
        remove it
      </button>
    </li>
  {/each}
</ul>
<div class="mt-1 grid grid-cols-[1fr_1fr_1fr_auto] items-end gap-2">
  <Field label="Litres filled">
    <input class="field amount" type="number" min="0" step="any" bind:value={filled} />
  </Field>
  <Field label="Litres out">
    <input class="field amount" type="number" min="0" step="any" bind:value={out} />
  </Field>
  <Field label="Minutes">
    <input class="field amount" type="number" min="0" step="any" bind:value={minutes} />
  </Field>
  <Button disabled={!whole} onclick={add}>Note it</Button>
</div>
