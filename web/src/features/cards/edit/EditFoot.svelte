<script lang="ts">
  import Redo2 from '@lucide/svelte/icons/redo-2';
  import Undo2 from '@lucide/svelte/icons/undo-2';
  import type { CardDraft } from './cardDraft.svelte';
  import Button from '../../../ui/Button.svelte';

  /** Undo, redo, and letting go of the draft. */
  let { draft, ondrop }: { draft: CardDraft; ondrop: () => void } = $props();
</script>

<div class="flex flex-wrap items-center gap-2">
  <Button disabled={!draft.canUndo} onclick={() => draft.undo()}>
    <Undo2 size={18} aria-hidden="true" />Undo
  </Button>
  <Button disabled={!draft.canRedo} onclick={() => draft.redo()}>
    <Redo2 size={18} aria-hidden="true" />Redo
  </Button>
  <button type="button" class="min-h-11 px-2 underline" onclick={ondrop}>
    {draft.changed ? 'Discard draft' : 'Leave'}
  </button>
</div>
