<script lang="ts">
  import Field from '../../../ui/Field.svelte';
  import type { Schema } from '../../../api/client';
  import { asWords } from '../../../lib/levels';
  import AmountBox from '../../../ui/amount/AmountBox.svelte';
  import type { CardDraft } from './cardDraft.svelte';
  import KeepsEdit from './KeepsEdit.svelte';
  import ToolsField from './ToolsField.svelte';

  /** What can wait when a card is begun: colour, yield, portions, pan, density, tools. */
  let { draft, kitchen }: { draft: CardDraft; kitchen: Schema['KitchenOut'] | undefined } =
    $props();

  const piece = $derived(draft.piece);
  const classes = $derived(
    [...new Set([...(kitchen?.classes ?? []), piece.class ?? ''])].filter(Boolean).sort()
  );

  function setPan(width: number) {
    piece.pan = width > 0 ? { width_cm: width, lid: piece.pan?.lid ?? 'off' } : null;
  }
</script>

<div class="mt-3 grid grid-cols-4 gap-3 max-tablet:grid-cols-2">
  <Field label="Colour family">
    <select
      class="field"
      value={piece.colour ?? ''}
      onchange={(event) => (piece.colour = event.currentTarget.value || null)}
    >
      <option value="">none</option>
      {#each kitchen?.colours ?? [] as colour (colour)}<option value={colour}>{colour}</option
        >{/each}
    </select>
  </Field>
  <div class="block">
    <span class="text-base text-soft">Yield</span>
    <AmountBox
      quantity={piece.yield?.quantity ?? 0}
      unit={piece.yield?.unit ?? 'l'}
      label="Yield"
      onset={(quantity, unit) =>
        (piece.yield = quantity ? { quantity, unit, note: piece.yield?.note ?? '' } : null)}
    />
  </div>
  <Field label="Why it yields more">
    <input
      class="field"
      maxlength="200"
      disabled={!piece.yield}
      value={piece.yield?.note ?? ''}
      oninput={(event) => {
        if (piece.yield) piece.yield.note = event.currentTarget.value;
      }}
    />
  </Field>
  <Field label="Portions">
    <input
      class="field amount"
      type="number"
      min="0"
      step="any"
      value={piece.portions ?? ''}
      oninput={(event) => (piece.portions = event.currentTarget.valueAsNumber || null)}
    />
  </Field>
  <Field label="Section where it is made">
    <input class="field" maxlength="80" autocomplete="off" bind:value={piece.section} />
  </Field>
  {#if piece.kind === 'dish'}
    <Field label="Course on the menu">
      <input
        class="field"
        maxlength="80"
        list="courses"
        autocomplete="off"
        value={piece.course ?? ''}
        oninput={(event) => (piece.course = event.currentTarget.value.trim() || null)}
      />
      <datalist id="courses">
        {#each ['starter', 'soup', 'main', 'side', 'dessert'] as course (course)}
          <option value={course}></option>
        {/each}
      </datalist>
    </Field>
  {/if}
  <Field label="Class, for swaps">
    <select
      class="field"
      value={piece.class ?? ''}
      onchange={(event) => (piece.class = event.currentTarget.value || null)}
    >
      <option value="">by its lines</option>
      {#each classes as known (known)}<option value={known}>{asWords(known)}</option>{/each}
    </select>
  </Field>
  <Field label="Pan, cm across">
    <input
      class="field amount"
      type="number"
      min="0"
      step="any"
      value={piece.pan?.width_cm ?? ''}
      oninput={(event) => setPan(event.currentTarget.valueAsNumber)}
    />
  </Field>
  <Field label="Lid">
    <select
      class="field"
      disabled={!piece.pan}
      value={piece.pan?.lid ?? 'off'}
      onchange={(event) => {
        if (piece.pan) piece.pan.lid = event.currentTarget.value as 'off' | 'ajar' | 'on';
      }}
    >
      {#each kitchen?.lids ?? ['off'] as lid (lid)}<option value={lid}>{lid}</option>{/each}
    </select>
  </Field>
  <Field label="Density, g per ml">
    <input
      class="field amount"
      type="number"
      min="0"
      step="any"
      placeholder="1"
      value={piece.density_g_per_ml ?? ''}
      oninput={(event) => (piece.density_g_per_ml = event.currentTarget.valueAsNumber || null)}
    />
  </Field>
  <KeepsEdit {draft} />
  <div class="col-span-3 max-tablet:col-span-2">
    <ToolsField
      tools={piece.equipment ?? []}
      label="Tools"
      onset={(tools) => (piece.equipment = tools)}
    />
  </div>
</div>
