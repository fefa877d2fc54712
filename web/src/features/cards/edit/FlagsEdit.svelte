<script lang="ts">
  import type { Level, Schema } from '../../../api/client';
  import FlagToggles from '../../../ui/flags/FlagToggles.svelte';
  import OtherwiseChoice from '../pot/OtherwiseChoice.svelte';
  import type { CardDraft } from './cardDraft.svelte';

  /** What is known of the pot itself, with or without lines. */
  let { draft, flags, otherwise }: { draft: CardDraft; flags: Schema['Flag'][]; otherwise: Level } =
    $props();
</script>

<p class="mb-2 max-w-2xl text-soft">
  What is known of this pot itself. It can raise what the lines bring, never lower it.
</p>
<OtherwiseChoice
  value={draft.piece.otherwise ?? null}
  rule={draft.lines.length === 0
    ? 'not checked, while there is no card'
    : 'free, as only the lines go in'}
  onset={(level) => (draft.piece.otherwise = level)}
/>
<FlagToggles
  {flags}
  statements={draft.piece.statements ?? {}}
  {otherwise}
  onset={(flag, level) => draft.state(flag, level)}
/>
