<script lang="ts">
  import { untrack } from 'svelte';
  import { answer, api, sentence, type Schema } from '../../api/client';
  import { gramsText } from '../../lib/spoon';
  import { amountText } from '../../lib/lines';
  import { reading } from './reading';

  /**
   * An amount as people type it. What is understood becomes quantity and unit; what is not is kept
   * as typed, and asked about.
   */
  let {
    quantity,
    unit,
    typed = null,
    item = '',
    label,
    onset
  }: {
    quantity: number;
    unit: string;
    /** Words that were not understood; null where only a number will do. */
    typed?: string | null;
    item?: string;
    label: string;
    onset: (quantity: number, unit: string, typed: string, note: string) => void;
  } = $props();

  const REST = 400;
  const shown = $derived(typed || (quantity ? amountText(quantity, unit) : ''));
  let text = $state(untrack(() => shown));
  let found = $state<Schema['AmountOut'] | null>(null);
  let trouble = $state('');
  let taken = untrack(() => shown);
  let asked = untrack(() => shown);
  let rest: ReturnType<typeof setTimeout> | undefined;

  $effect(() => {
    // Another amount from outside (undo, a merge, scaling) shows as soon as it comes.
    const next = shown;
    untrack(() => {
      if (next !== taken) {
        text = taken = asked = next;
        found = null;
      }
    });
  });

  /** While somebody types, what is understood so far is kept: a reload must not lose it. */
  function type() {
    clearTimeout(rest);
    rest = setTimeout(() => reading(understand()), REST);
  }

  /** The box is left: it shows what was understood. Answers whether that is another amount. */
  async function leave(): Promise<boolean> {
    clearTimeout(rest);
    const other = await understand(Boolean(typed));
    if (found?.quantity !== null && found?.quantity !== undefined) text = taken;
    return other;
  }

  /** Reads what is typed; answers whether it is another amount than before. */
  async function understand(again = false): Promise<boolean> {
    const wanted = text.trim();
    if (wanted === '' || (wanted === asked && !again)) return false;
    const before = taken;
    asked = wanted;
    trouble = '';
    try {
      const query = item ? { text: wanted, item } : { text: wanted };
      found = await answer(api.GET('/api/v1/amount', { params: { query } }));
    } catch (error) {
      trouble = sentence(error);
      found = null;
    }
    if (found === null || found.quantity === null || found.unit === null) {
      // Where there is no place for words, what stood there before stays until it is understood.
      if (typed === null) return false;
      taken = wanted;
      onset(0, unit, wanted, '');
      return taken !== before;
    }
    const range = found.low === null ? '' : `${found.low} to ${found.high}`;
    taken = amountText(found.quantity, found.unit);
    onset(found.quantity, found.unit, '', range);
    return taken !== before;
  }
</script>

<div class="min-w-0">
  <input
    class="field amount text-right"
    autocomplete="off"
    aria-label={label}
    maxlength="200"
    bind:value={text}
    oninput={type}
    onblur={() => reading(leave())}
    onkeydown={(event) => {
      if (event.key === 'Enter') reading(leave());
    }}
  />
  <div aria-live="polite">
    {#if trouble || (found && (found.question || found.grams !== null))}
      <p
        class={['text-base leading-tight', trouble || found?.question ? 'text-clay' : 'text-soft']}
      >
        {trouble || found?.question || (found?.grams ? gramsText(found.grams) : '')}
      </p>
    {/if}
  </div>
</div>
