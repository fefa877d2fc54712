<script lang="ts">
  import Plus from '@lucide/svelte/icons/plus';
  import type { Level } from '../../../api/client';
  import Button from '../../../ui/Button.svelte';
  import type { CardDraft } from './cardDraft.svelte';
  import LineEdit from './LineEdit.svelte';
  import QuickLines from './QuickLines.svelte';
  import Reorder from './Reorder.svelte';

  /** The lines of a card, in the order in which they are used. */
  let {
    draft,
    flags,
    roles,
    stages,
    treatments
  }: {
    draft: CardDraft;
    flags: Record<string, Level>[];
    roles: string[];
    stages: string[];
    treatments: string[];
  } = $props();

  const at = $derived.by(() => {
    // The answer knows only lines that have an item; those in front of a bare line keep theirs.
    const places = new Map<number, number>();
    draft.lines.forEach((line, index) => {
      if (line.item !== '') places.set(index, places.size);
    });
    return places;
  });
</script>

{#if draft.lines.length > 0}
  <div
    class="grid grid-cols-[32px_60px_196px_minmax(0,1fr)_44px_44px] gap-2 text-soft max-phone:hidden"
    aria-hidden="true"
  >
    <span class="col-start-3 text-right">Amount</span>
    <span>Item</span>
  </div>
{/if}
<Reorder entries={draft.lines} what="Line" move={(from, to) => draft.move('lines', from, to)}>
  {#snippet entry(line, index, onmove, dragging)}
    {#if line.group && line.group !== draft.lines[index - 1]?.group}
      <p class="pt-1 text-base text-soft">{line.group}</p>
    {/if}
    <LineEdit
      {draft}
      {line}
      {index}
      flags={flags[at.get(index) ?? -1]}
      {roles}
      {stages}
      {treatments}
      {onmove}
      {dragging}
    />
  {/snippet}
</Reorder>
{#if draft.lines.length === 0}
  <p class="text-soft">
    No line yet. A pot without lines stands by its flags alone; what is not stated is not checked.
  </p>
{/if}
<QuickLines {draft} />
<div class="mt-3">
  <Button onclick={() => draft.addLine()}><Plus size={18} aria-hidden="true" />Add a line</Button>
</div>
