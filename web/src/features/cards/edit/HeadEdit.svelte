<script lang="ts">
  import type { Schema } from '../../../api/client';
  import { asWords } from '../../../ui/marks/levels';
  import { capital } from '../pot/lines';
  import AmountBox from './AmountBox.svelte';
  import type { CardDraft } from './cardDraft.svelte';
  import KeepsEdit from './KeepsEdit.svelte';
  import type { Piece } from './pieces';
  import ToolsField from './ToolsField.svelte';

  /** What a card says of the pot as a whole. */
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

<div class="grid grid-cols-4 gap-3 max-[900px]:grid-cols-2">
  <label class="col-span-2 block">
    <span class="text-note text-soft">Name</span>
    <input class="field" maxlength="200" data-pot-name bind:value={piece.name} />
  </label>
  <label class="block">
    <span class="text-note text-soft">Kind</span>
    <select
      class="field"
      value={piece.kind}
      onchange={(event) => (piece.kind = event.currentTarget.value as Piece['kind'])}
    >
      {#each kitchen?.kinds ?? [piece.kind] as kind (kind)}
        <option value={kind}>{capital(kind)}</option>
      {/each}
    </select>
  </label>
  <label class="block">
    <span class="text-note text-soft">Colour family</span>
    <select
      class="field"
      value={piece.colour ?? ''}
      onchange={(event) => (piece.colour = event.currentTarget.value || null)}
    >
      <option value="">none</option>
      {#each kitchen?.colours ?? [] as colour (colour)}<option value={colour}>{colour}</option
        >{/each}
    </select>
  </label>
  <div class="block">
    <span class="text-note text-soft">Yield</span>
    <AmountBox
      quantity={piece.yield?.quantity ?? 0}
      unit={piece.yield?.unit ?? 'l'}
      label="Yield"
      onset={(quantity, unit) =>
        (piece.yield = quantity ? { quantity, unit, note: piece.yield?.note ?? '' } : null)}
    />
  </div>
  <label class="block">
    <span class="text-note text-soft">Why more comes out</span>
    <input
      class="field"
      maxlength="200"
      placeholder="only if more comes out than went in"
      disabled={!piece.yield}
      value={piece.yield?.note ?? ''}
      oninput={(event) => {
        if (piece.yield) piece.yield.note = event.currentTarget.value;
      }}
    />
  </label>
  <label class="block">
    <span class="text-note text-soft">Portions</span>
    <input
      class="field amount"
      type="number"
      min="0"
      step="any"
      value={piece.portions ?? ''}
      oninput={(event) => (piece.portions = event.currentTarget.valueAsNumber || null)}
    />
  </label>
  <label class="block">
    <span class="text-note text-soft">Class, for swaps</span>
    <select
      class="field"
      value={piece.class ?? ''}
      onchange={(event) => (piece.class = event.currentTarget.value || null)}
    >
      <option value="">none</option>
      {#each classes as known (known)}<option value={known}>{asWords(known)}</option>{/each}
    </select>
  </label>
  <label class="block">
    <span class="text-note text-soft">Pan, cm across</span>
    <input
      class="field amount"
      type="number"
      min="0"
      step="any"
      value={piece.pan?.width_cm ?? ''}
      oninput={(event) => setPan(event.currentTarget.valueAsNumber)}
    />
  </label>
  <label class="block">
    <span class="text-note text-soft">Lid</span>
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
  </label>
  <label class="block">
    <span class="text-note text-soft">Grams in a millilitre</span>
    <input
      class="field amount"
      type="number"
      min="0"
      step="any"
      placeholder="1"
      value={piece.density_g_per_ml ?? ''}
      oninput={(event) => (piece.density_g_per_ml = event.currentTarget.valueAsNumber || null)}
    />
  </label>
  <KeepsEdit {draft} />
  <div class="col-span-3 max-[900px]:col-span-2">
    <ToolsField
      tools={piece.equipment ?? []}
      label="Tools"
      onset={(tools) => (piece.equipment = tools)}
    />
  </div>
</div>
