<script lang="ts">
  import { asWords } from '../marks/levels';
  import { capital } from './lines';
  import type { Piece, PotDraft } from './potDraft.svelte';

  let { draft, kinds, classes }: { draft: PotDraft; kinds: string[]; classes: string[] } = $props();
</script>

<div class="grid grid-cols-[minmax(0,2fr)_1fr_1fr_1fr] gap-4 max-[900px]:grid-cols-2">
  <label class="block">
    <span class="text-soft">Name</span>
    <input class="field" bind:value={draft.name} />
  </label>
  <label class="block">
    <span class="text-soft">Kind</span>
    <select
      class="field"
      value={draft.kind}
      onchange={(event) => (draft.kind = event.currentTarget.value as Piece['kind'])}
    >
      {#each kinds as kind (kind)}<option value={kind}>{capital(kind)}</option>{/each}
    </select>
  </label>
  <label class="block">
    <span class="text-soft">Class, for swaps</span>
    <select class="field" bind:value={draft.className}>
      <option value="">none</option>
      {#each [...new Set([...classes, draft.className])].filter(Boolean).sort() as known (known)}
        <option value={known}>{asWords(known)}</option>
      {/each}
    </select>
  </label>
  <label class="block">
    <span class="text-soft">Colour</span>
    <select class="field" bind:value={draft.colour}>
      <option value="">none</option>
      {#each ['white', 'blond', 'brown', 'red', 'green'] as colour (colour)}
        <option value={colour}>{colour}</option>
      {/each}
    </select>
  </label>
</div>
