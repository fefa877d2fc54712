<script lang="ts">
  import { NUMBERS, type ProductDraft } from './productDraft.svelte';

  let { draft }: { draft: ProductDraft } = $props();
</script>

<h2 class="mt-3 text-[18px]">Numbers</h2>
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
  <label class="block">
    <span class="text-soft">Pack</span>
    <input class="field" autocomplete="off" maxlength="200" bind:value={draft.label.pack} />
  </label>
  <label class="block">
    <span class="text-soft">Number of its bar code</span>
    <input
      class="field amount"
      autocomplete="off"
      inputmode="numeric"
      maxlength="14"
      bind:value={draft.label.code}
    />
  </label>
</div>
