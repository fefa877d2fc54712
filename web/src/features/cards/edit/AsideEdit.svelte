<script lang="ts">
  import IconButton from '../../../ui/IconButton.svelte';
  import Plus from '@lucide/svelte/icons/plus';
  import X from '@lucide/svelte/icons/x';
  import Button from '../../../ui/Button.svelte';
  import AmountBox from '../../../ui/amount/AmountBox.svelte';
  import ReductionsEdit from './ReductionsEdit.svelte';
  import ByProductLines from './ByProductLines.svelte';
  import type { CardDraft } from './cardDraft.svelte';
  import WaysEdit from './WaysEdit.svelte';

  /** What else comes out of the pot, its other ways, and what came out on other days. */
  let { draft }: { draft: CardDraft } = $props();

  const parts = $derived(draft.piece.by_products ?? []);

  function add() {
    const taken = new Set(parts.map((part) => part.id));
    let number = parts.length + 1;
    while (taken.has(`part-${number}`)) number += 1;
    draft.piece.by_products = [...parts, { id: `part-${number}`, name: 'New by-product' }];
  }
</script>

<h2 class="text-lead">Also comes out</h2>
<p class="text-base text-soft">
  Skimmed fat, picked meat, liquor: each carries everything that the pot carries.
</p>
<ul class="mt-2 grid gap-2">
  {#each parts as part, index (part.id)}
    <li class="grid grid-cols-[minmax(0,1fr)_150px_44px] gap-2">
      <input
        class="field"
        maxlength="200"
        aria-label="By-product {index + 1}"
        bind:value={part.name}
      />
      <AmountBox
        quantity={part.quantity ?? 0}
        unit={part.unit ?? 'g'}
        label="Amount of by-product {index + 1}"
        onset={(quantity, unit) => {
          part.quantity = quantity;
          part.unit = unit;
        }}
      />
      <IconButton
        label="Remove by-product {index + 1}"
        onclick={() => (draft.piece.by_products = parts.filter((other) => other.id !== part.id))}
        ><X size={20} /></IconButton
      >
      <div class="col-span-3"><ByProductLines {draft} {index} /></div>
    </li>
  {/each}
</ul>
<div class="mt-2">
  <Button onclick={add}><Plus size={18} aria-hidden="true" />Add a by-product</Button>
</div>
<WaysEdit {draft} />
<ReductionsEdit {draft} />
