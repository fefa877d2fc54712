<script lang="ts">
  import type { Schema } from '../api/client';
  import type { ProductDraft } from './productDraft.svelte';

  let { draft, before }: { draft: ProductDraft; before: Record<string, Schema['EvidencePiece']> } =
    $props();

  const KINDS = {
    label: 'the label',
    supplier: "the supplier's sheet",
    plain_food: 'a plain single food',
    own_knowledge: 'own knowledge'
  } as const;

  const latest = $derived(
    Object.values(before)
      .filter((entry) => entry.date)
      .sort((a, b) => (b.date ?? '').localeCompare(a.date ?? ''))[0]
  );
</script>

<div class="mt-2 flex flex-wrap items-end gap-4">
  <label class="block">
    <span class="text-soft">Known from</span>
    <select class="field" bind:value={draft.evidence}>
      {#each Object.entries(KINDS) as [kind, text] (kind)}<option value={kind}>{text}</option
        >{/each}
    </select>
  </label>
  <label class="block w-44">
    <span class="text-soft">Read by</span>
    <input class="field" autocomplete="off" bind:value={draft.person} />
  </label>
  <p class="min-h-11 content-center text-soft">
    {#if latest}
      Last read {latest.date}{latest.person ? ` by ${latest.person}` : ''}, from {KINDS[
        latest.kind
      ]}.
    {:else}
      Nobody has read it yet.
    {/if}
  </p>
</div>
