<script lang="ts">
  import ChevronDown from '@lucide/svelte/icons/chevron-down';
  import ChevronRight from '@lucide/svelte/icons/chevron-right';
  import LineMarks from './LineMarks.svelte';
  import { amountText, flagWords, treatmentText, type Line } from '../../../lib/lines';
  import SubLines from './SubLines.svelte';

  let { line, onclick }: { line: Line; onclick: () => void } = $props();

  let open = $state(false);

  const told = $derived.by(() => {
    const parts: string[] = [];
    if (line.line.choice) parts.push(line.counted ? 'in use' : 'not in use');
    parts.push(...flagWords(line.flags, line.tool_traces, line.line.choice ? Infinity : 4));
    if (line.line.optional) parts.push('optional');
    if (line.line.strained_out && line.line.group) parts.push('strained out');
    const treated = treatmentText(line.line.treatment, line.line.minutes ?? null);
    if (treated) parts.push(treated);
    if (line.line.note) parts.push(line.line.note);
    return parts.join(', ');
  });
</script>

<div class="flex border-b border-rule">
  <button
    type="button"
    {onclick}
    class="grid min-h-11 min-w-0 flex-1 grid-cols-[60px_88px_minmax(0,1fr)] items-baseline py-1.5 text-left leading-[1.2] hover:bg-ladle-pale"
  >
    <LineMarks flags={line.flags} />
    <span class="amount pr-3 text-right text-base">
      {line.line.typed || amountText(line.line.quantity, line.line.unit)}
    </span>
    <span class="sr-only">Change:</span>
    <span class={line.line.choice && !line.counted ? 'text-soft' : ''}>
      <span class={line.line.choice && line.counted ? 'font-strong' : ''}>{line.name}</span>
      {#if told}<span class="block text-base text-soft">{told}</span>{/if}
    </span>
  </button>
  {#if line.item_kind === 'preparation'}
    <button
      type="button"
      class="grid w-11 place-items-center hover:bg-ladle-pale"
      aria-expanded={open}
      aria-label="What goes into {line.name}"
      onclick={() => (open = !open)}
    >
      {#if open}<ChevronDown size={18} />{:else}<ChevronRight size={18} />{/if}
    </button>
  {/if}
</div>
{#if open}<SubLines id={line.owner} name={line.name} />{/if}
