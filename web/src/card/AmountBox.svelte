<script lang="ts">
  import { untrack } from 'svelte';
  import { answer, api, sentence, type Schema } from '../api/client';
  import { gramsText } from '../figures/spoon';
  import { amountText } from '../pot/lines';
  import { reading } from './reading';

  /**
   * An amount as people type it. What is understood becomes quantity and unit; what is not is kept
   * as typed, and asked about.
   */
  let {
    quantity,
    unit,
    typed = '',
    item = '',
    label,
    onset
  }: {
    quantity: number;
    unit: string;
    typed?: string;
    item?: string;
    label: string;
    onset: (quantity: number, unit: string, typed: string, note: string) => void;
  } = $props();

  const shown = $derived(typed || (quantity ? amountText(quantity, unit) : ''));
  let text = $state(untrack(() => shown));
  let found = $state<Schema['AmountOut'] | null>(null);
  let trouble = $state('');
  let taken = untrack(() => shown);

  $effect(() => {
    // Another amount from outside (undo, a merge, scaling) shows as soon as it comes.
    const next = shown;
    untrack(() => {
      if (next !== taken) {
        text = next;
        taken = next;
        found = null;
      }
    });
  });

  async function understand() {
    const wanted = text.trim();
    if (wanted === taken || wanted === '') return;
    trouble = '';
    try {
      const query = item ? { text: wanted, item } : { text: wanted };
      found = await answer(api.GET('/api/v1/amount', { params: { query } }));
    } catch (error) {
      trouble = sentence(error);
      return;
    }
    if (found.quantity === null || found.unit === null) {
      taken = wanted;
      onset(0, unit, wanted, '');
      return;
    }
    const range = found.low === null ? '' : `${found.low} to ${found.high}`;
    taken = amountText(found.quantity, found.unit);
    text = taken;
    onset(found.quantity, found.unit, '', range);
  }
</script>

<div class="min-w-0">
  <input
    class="field amount text-right"
    autocomplete="off"
    aria-label={label}
    maxlength="200"
    bind:value={text}
    onblur={() => reading(understand())}
    onkeydown={(event) => {
      if (event.key === 'Enter') reading(understand());
    }}
  />
  <div aria-live="polite">
    {#if trouble || (found && (found.question || found.grams !== null))}
      <p
        class={[
          'text-[14px] leading-tight',
          trouble || found?.question ? 'text-clay' : 'text-soft'
        ]}
      >
        {trouble || found?.question || (found?.grams ? gramsText(found.grams) : '')}
      </p>
    {/if}
  </div>
</div>
