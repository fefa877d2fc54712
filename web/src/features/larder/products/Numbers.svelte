<script lang="ts">
  import Field from '../../../ui/Field.svelte';
  import { NUMBERS, type ProductDraft } from './productDraft.svelte';

  let { draft }: { draft: ProductDraft } = $props();
</script>

<h2 class="mt-3 text-lead">Numbers</h2>
<div class="mt-1 grid grid-cols-3 gap-4">
  {#each NUMBERS as [field, text] (field)}
    <Field label={text}>
      <input
        class="field amount"
        type="number"
        min="0"
        step="any"
        placeholder="not known"
        value={draft.numbers[field] ?? ''}
        oninput={(event) => {
          const typed = event.currentTarget.valueAsNumber;
          draft.numbers = { ...draft.numbers, [field]: Number.isNaN(typed) ? null : typed };
        }}
      />
    </Field>
  {/each}
  <Field label="Pack">
    <input class="field" autocomplete="off" maxlength="200" bind:value={draft.label.pack} />
  </Field>
  <Field label="Number of its bar code">
    <input
      class="field amount"
      autocomplete="off"
      inputmode="numeric"
      maxlength="14"
      bind:value={draft.label.code}
    />
  </Field>
</div>
