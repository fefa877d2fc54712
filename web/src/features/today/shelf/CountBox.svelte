<script lang="ts">
  import { answer, api, type Schema } from '../../../api/client';
  import { Write } from '../../../api/write.svelte';
  import ErrorText from '../../../ui/ErrorText.svelte';

  /** How much of a thing was found: a number and Enter, and the next one is asked. */
  let { thing, oncounted }: { thing: Schema['StandingOut']; oncounted: () => void } = $props();

  const unit = $derived(thing.left?.unit ?? 'g');
  let found = $state<number | null>(null);
  let recorded = $state('');
  const counting = new Write(
    (quantity: number) =>
      answer(
        api.POST('/api/v1/shelf/counts', { body: { of: thing.reference, quantity, unit, why: '' } })
      ),
    { says: () => `${thing.name}: counted.`, reaches: 'day' }
  );

  async function count(event: KeyboardEvent) {
    if (event.key !== 'Enter' || found === null) return;
    event.preventDefault();
    const quantity = found;
    // The next box has the focus at once: the keyboard of a phone must not leave in between.
    oncounted();
    await counting.send(quantity);
    if (counting.error === null) recorded = `${quantity} ${unit} counted`;
  }
</script>

<div>
  <label class="flex items-center gap-2" for="count-{thing.reference}">
    <span class="sr-only">How much of {thing.name}, in {unit}</span>
    <input
      id="count-{thing.reference}"
      class="field amount text-right"
      type="number"
      inputmode="decimal"
      enterkeyhint="next"
      min="0"
      step="any"
      placeholder={thing.left ? String(Number(thing.left.quantity.toPrecision(4))) : ''}
      bind:value={found}
      onkeydown={count}
    />
    <span class="amount">{unit}</span>
  </label>
  {#if recorded}<p class="text-soft" role="status">{recorded}</p>{/if}
  <ErrorText error={counting.error} />
</div>
