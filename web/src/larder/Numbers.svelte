<script lang="ts">
  import { NUMBERS, type ProductDraft } from './productDraft.svelte';

  let { draft }: { draft: ProductDraft } = $props();
  const CERTIFICATES = ['halal', 'kosher'];
</script>

<h2 class="mt-5 text-[18px]">Numbers and certificates</h2>
<div class="mt-1 grid grid-cols-3 gap-4">
  {#each NUMBERS as [field, text] (field)}
    <label class="block">
      <span class="text-soft">{text}</span>
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
    </label>
  {/each}
</div>
<fieldset class="mt-3">
  <legend class="text-soft">Holds a certificate</legend>
  <div class="flex gap-6">
    {#each CERTIFICATES as kind (kind)}
      <label class="flex min-h-11 items-center gap-2">
        <input
          type="checkbox"
          class="size-5"
          checked={draft.certificates.includes(kind)}
          onchange={(event) => draft.certify(kind, event.currentTarget.checked)}
        />
        {kind}
      </label>
    {/each}
  </div>
</fieldset>
