<script lang="ts">
  import Field from '../../../ui/Field.svelte';
  import type { Schema } from '../../../api/client';
  import { capital } from '../../../lib/lines';
  import type { CardDraft } from './cardDraft.svelte';
  import HeadMore from './HeadMore.svelte';

  /** What a card says of the pot as a whole; of a new one the name comes first, the rest can wait. */
  let {
    draft,
    kitchen,
    fresh
  }: { draft: CardDraft; kitchen: Schema['KitchenOut'] | undefined; fresh: boolean } = $props();

  const piece = $derived(draft.piece);
</script>

<div class="grid grid-cols-4 gap-3 max-tablet:grid-cols-2">
  <label class="col-span-2 block">
    <span class="text-base text-soft">Name</span>
    <input class="field" maxlength="200" data-pot-name bind:value={piece.name} />
  </label>
  <Field label="Kind">
    <select class="field" bind:value={piece.kind}>
      {#each kitchen?.kinds ?? [piece.kind] as kind (kind)}
        <option value={kind}>{capital(kind)}</option>
      {/each}
    </select>
  </Field>
</div>
<details class="mt-1" open={!fresh}>
  <summary class="min-h-11 cursor-pointer py-2 text-soft"
    >More: yield, portions, colour, pan, tools</summary
  >
  <HeadMore {draft} {kitchen} />
</details>
