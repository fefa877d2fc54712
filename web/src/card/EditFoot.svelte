<script lang="ts">
  import Redo2 from '@lucide/svelte/icons/redo-2';
  import Undo2 from '@lucide/svelte/icons/undo-2';
  import type { CardDraft } from './cardDraft.svelte';
  import Act from '../parts/Act.svelte';

  /** Undo, redo, and letting go of the draft. */
  let { draft, ondrop }: { draft: CardDraft; ondrop: () => void } = $props();
</script>

<div class="flex flex-wrap items-center gap-2">
  <Act disabled={!draft.canUndo} onclick={() => draft.undo()}>
    <Undo2 size={18} aria-hidden="true" />Undo
  </Act>
  <Act disabled={!draft.canRedo} onclick={() => draft.redo()}>
    <Redo2 size={18} aria-hidden="true" />Redo
  </Act>
  <button type="button" class="min-h-11 px-2 underline" onclick={ondrop}>
    {draft.changed ? 'Let the draft go' : 'Leave'}
  </button>
</div>
