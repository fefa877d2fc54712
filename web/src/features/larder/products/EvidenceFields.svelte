<script lang="ts">
  import Field from '../../../ui/Field.svelte';
  import WriterNote from '../../../ui/WriterNote.svelte';
  import type { LabelDraft } from './labelDraft.svelte';

  let { label, secondLook }: { label: LabelDraft; secondLook: boolean } = $props();

  const KINDS = {
    label: 'the label',
    supplier: "the supplier's sheet",
    plain_food: 'a plain single food',
    own_knowledge: 'own knowledge',
    method: "the card's own words"
  } as const;
  const CHOSEN = ['label', 'supplier', 'plain_food', 'own_knowledge'] as const;

  const latest = $derived(
    Object.values(label.before.evidence ?? {})
      .filter((entry) => entry.date)
      .sort((a, b) => (b.date ?? '').localeCompare(a.date ?? ''))[0]
  );
</script>

<div class="mt-2 flex flex-wrap items-end gap-4">
  <Field label="Source">
    <select class="field" bind:value={label.evidence}>
      <option value="">choose</option>
      {#each CHOSEN as kind (kind)}<option value={kind}>{KINDS[kind]}</option>{/each}
    </select>
  </Field>
  <WriterNote />
  <p class={['min-h-11 content-center', secondLook ? 'text-clay' : 'text-soft']}>
    {#if latest}
      Last read {latest.date}{latest.person ? ` by ${latest.person}` : ''}, from {KINDS[
        latest.kind
      ]}.{secondLook ? ' It wants a second look.' : ''}
    {:else}
      Nobody has read it yet.
    {/if}
  </p>
  {#if latest && !label.confirmed}
    <button
      type="button"
      class="min-h-11 underline underline-offset-4"
      onclick={() => label.readAgain()}
    >
      Read again today, all as it was
    </button>
  {/if}
</div>
