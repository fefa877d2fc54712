<script lang="ts">
  import Field from '../../../ui/Field.svelte';
  import type { CardDraft } from './cardDraft.svelte';

  /** How many days the pot keeps, chilled and frozen; empty where nobody has said. */
  let { draft }: { draft: CardDraft } = $props();

  const FIELDS = [
    ['chilled_days', 'Keeps chilled, days'],
    ['frozen_days', 'Keeps frozen, days']
  ] as const;
  type Field = (typeof FIELDS)[number][0];

  function set(field: Field, days: number) {
    const keeps = { ...draft.piece.keeps, [field]: days > 0 ? days : null };
    draft.piece.keeps = keeps.chilled_days || keeps.frozen_days ? keeps : null;
  }
</script>

{#each FIELDS as [field, label] (field)}
  <Field {label}>
    <input
      class="field amount"
      type="number"
      min="0"
      step="any"
      value={draft.piece.keeps?.[field] ?? ''}
      oninput={(event) => set(field, event.currentTarget.valueAsNumber)}
    />
  </Field>
{/each}
