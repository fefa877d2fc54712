<script lang="ts">
  import IconButton from '../../../ui/IconButton.svelte';
  import Field from '../../../ui/Field.svelte';
  import Check from '../../../ui/Check.svelte';
  import X from '@lucide/svelte/icons/x';
  import type { Schema } from '../../../api/client';
  import type { CardDraft } from './cardDraft.svelte';
  import type { Dragging } from './dragging';
  import Mover from './Mover.svelte';
  import type { StepPiece } from './pieces';
  import ToolsField from './ToolsField.svelte';
  import UpDown from './UpDown.svelte';

  /** One step: what to do, how long, what to look for; cautions are offered by its words. */
  let {
    draft,
    step,
    index,
    offered,
    onmove,
    dragging
  }: {
    draft: CardDraft;
    step: StepPiece;
    index: number;
    offered: Schema['OfferedOut'][];
    onmove: (by: number) => void;
    dragging: Dragging;
  } = $props();

  const of = $derived(`of step ${index + 1}`);
  const items = $derived([...new Set(draft.lines.map((line) => line.item).filter(Boolean))]);

  function toggle(item: string) {
    const uses = step.uses ?? [];
    step.uses = uses.includes(item) ? uses.filter((other) => other !== item) : [...uses, item];
  }
</script>

<div class="grid grid-cols-[32px_minmax(0,1fr)_44px] items-start gap-2 border-b border-rule pb-3">
  <Mover label="Step {index + 1}" {onmove} {dragging} />
  <div class="grid gap-2">
    <textarea
      class="field min-h-16 py-2"
      maxlength="4000"
      aria-label="Text {of}"
      bind:value={step.text}></textarea>
    <div class="grid grid-cols-[88px_1fr_1.4fr_auto] items-end gap-2 max-tablet:grid-cols-2">
      <Field label="Minutes">
        <input
          class="field amount"
          type="number"
          min="0"
          step="any"
          aria-label="Minutes {of}"
          bind:value={step.minutes}
        />
      </Field>
      <Field label="Heat">
        <input class="field" list="heats" aria-label="Heat {of}" bind:value={step.heat} />
      </Field>
      <Field label="What to look for">
        <input class="field" aria-label="Cue {of}" bind:value={step.cue} />
      </Field>
      <span class="flex flex-wrap items-center gap-x-3">
        <Check bind:checked={step.passive}>unattended</Check>
        <UpDown label="Step {index + 1}" {onmove} />
      </span>
    </div>
    <Field label="Caution">
      <input class="field" aria-label="Caution {of}" bind:value={step.caution} />
    </Field>
    {#each offered as each (each.id)}
      <p class="flex items-start gap-3 text-base">
        <button
          type="button"
          class="min-h-11 flex-none border-[1.5px] border-ink bg-sheet px-3 font-semibold hover:bg-ladle-pale"
          onclick={() => (step.caution = each.text)}
        >
          Take this caution
        </button>
        <span data-offered={each.id}
          >{each.text} <span class="text-soft">({each.source})</span></span
        >
      </p>
    {/each}
    {#if items.length > 0}
      <fieldset class="flex flex-wrap gap-x-4">
        <legend class="text-base text-soft">What goes in here</legend>
        {#each items as item (item)}
          <Check
            class="gap-1.5"
            checked={(step.uses ?? []).includes(item)}
            onchange={() => toggle(item)}>{draft.names[item] ?? item}</Check
          >
        {/each}
      </fieldset>
    {/if}
    <ToolsField
      tools={step.equipment ?? []}
      label="Tools"
      {of}
      onset={(tools) => (step.equipment = tools)}
    />
  </div>
  <IconButton label="Remove step {index + 1}" onclick={() => draft.remove('method', index)}
    ><X size={20} /></IconButton
  >
</div>
