<script lang="ts">
  import Check from '../../../ui/Check.svelte';
  import type { Schema } from '../../../api/client';
  import Button from '../../../ui/Button.svelte';
  import ItemBox from '../../../ui/ItemBox.svelte';
  import type { ProductDraft } from './productDraft.svelte';

  /** A compound product's parts, or the mark that it is a running bag. */
  let { draft, inside }: { draft: ProductDraft; inside: Schema['Named'][] } = $props();

  const named = (id: string) => inside.find((item) => item.id === id)?.name ?? id;

  function change(index: number, part: Partial<Schema['PartPiece']>) {
    draft.parts = draft.parts.map((known, n) => (n === index ? { ...known, ...part } : known));
  }
</script>

<h2 class="mt-3 text-lead">What it is made of</h2>
<p class="text-soft">
  Other products of the larder that are in it. It carries all that they carry, whatever their share.
</p>
<ol class="mt-1">
  {#each draft.parts as part, index (index)}
    <li class="flex flex-wrap items-end gap-3 border-b border-rule py-2">
      <div class="w-80">
        <ItemBox
          id="part-{index}"
          label="Part {index + 1}"
          only="product"
          name={part.product === '' ? '' : named(part.product)}
          bind:item={() => part.product, (product) => change(index, { product })}
        />
      </div>
      <label class="flex items-center gap-2">
        <input
          class="field amount w-24"
          type="number"
          min="0"
          max="100"
          step="any"
          aria-label="Share of part {index + 1} in per cent"
          value={part.percent ?? ''}
          oninput={(event) => {
            const typed = event.currentTarget.valueAsNumber;
            change(index, { percent: Number.isNaN(typed) ? null : typed });
          }}
        />
        %
      </label>
      <Button onclick={() => (draft.parts = draft.parts.filter((_, n) => n !== index))}
        >Remove</Button
      >
    </li>
  {/each}
</ol>
<div class="mt-2">
  <Button onclick={() => (draft.parts = [...draft.parts, { product: '' }])}>Add a part</Button>
</div>
<h2 class="mt-5 text-lead">A running bag</h2>
<Check bind:checked={draft.isBag}
  >It is filled over time: shells, trimmings, bread ends, a fat tub</Check
>
<p class="text-soft">
  A bag carries all that was put into it since it was last emptied and washed. Fill and empty it
  under Running bags.
</p>
