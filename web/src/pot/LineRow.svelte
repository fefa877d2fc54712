<script lang="ts">
  import type { Level } from '../api/client';
  import { asWords } from '../marks/levels';
  import PotMark from '../marks/PotMark.svelte';
  import { amountText, type Line } from './lines';

  let { line, onclick }: { line: Line; onclick: () => void } = $props();

  const ORDER: Level[] = ['contains', 'may_contain', 'unchecked'];
  const levels = $derived(Object.values(line.flags));
  const marks = $derived(ORDER.filter((level) => levels.includes(level)));

  const told = $derived.by(() => {
    const parts: string[] = [];
    if (line.line.choice) parts.push(line.counted ? 'in use' : 'not in use');
    const sure = Object.entries(line.flags).filter(([, level]) => level === 'contains');
    parts.push(...sure.slice(0, 4).map(([flag]) => asWords(flag)));
    if (line.unchecked > 0) parts.push(`${line.unchecked} not checked`);
    if (line.line.optional) parts.push('optional');
    if (line.line.note) parts.push(line.line.note);
    return parts.join(', ');
  });
</script>

<button
  type="button"
  {onclick}
  class="grid min-h-11 w-full grid-cols-[60px_88px_minmax(0,1fr)] items-baseline border-b border-rule py-1.5 text-left leading-[1.2] hover:bg-ladle-pale"
>
  <span class="flex gap-px self-center">
    {#each marks as level (level)}<PotMark {level} small />{:else}<PotMark
        level="free"
        small
      />{/each}
  </span>
  <span class="amount pr-3 text-right text-[15px]">
    {amountText(line.line.quantity, line.line.unit)}
  </span>
  <span class="sr-only">Change:</span>
  <span class={line.line.choice && !line.counted ? 'text-soft' : ''}>
    <span class={line.line.choice && line.counted ? 'font-[650]' : ''}>{line.name}</span>
    {#if told}<span class="block text-[14px] text-soft">{told}</span>{/if}
  </span>
</button>
