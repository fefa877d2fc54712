<script lang="ts">
  import type { ProductDraft } from './productDraft.svelte';

  /** Whose label is in hand. */
  let { draft }: { draft: ProductDraft } = $props();
</script>

<label class="mt-2 block w-80">
  <span class="text-soft">Whose label is in your hand</span>
  <select class="field" bind:value={draft.chosen}>
    {#each draft.voices as voice (voice.id)}
      <option value={voice.id}>
        {voice.id === '' ? 'True of every maker' : voice.name}
      </option>
    {/each}
  </select>
</label>
