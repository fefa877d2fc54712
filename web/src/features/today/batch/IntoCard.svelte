<script lang="ts">
  import type { Schema } from '../../../api/client';
  import { potQuery } from '../../../api/queries';
  import { currentUser } from '../../../api/currentUser.svelte';
  import RecordFoot from '../../../ui/impact/RecordFoot.svelte';
  import { Recording, type Change } from '../../../ui/impact/recording.svelte';

  /** What went in instead of a line of the card, written into the card for good. */
  let { preparation, entry }: { preparation: string; entry: Schema['WentInPiece'] } = $props();

  const pot = potQuery(() => preparation);
  const recording = new Recording();

  /** An alternative that the card names is chosen; anything else takes the line's place. */
  const change = $derived.by((): Change | null => {
    const lines = pot.data?.preparation.lines ?? [];
    const at = entry.line ?? -1;
    const line = lines[at];
    if (!line || line.item === entry.item) return null;
    const named = lines.findIndex(
      (each) => each.choice === line.choice && each.item === entry.item
    );
    if (line.choice && named >= 0)
      return lines[named]?.chosen
        ? null
        : { change: 'choice', preparation, line: named, was: entry.item };
    const to = { ...line, item: entry.item };
    return { change: 'line', preparation, line: at, was: line.item, to };
  });

  $effect(() => {
    void currentUser.initials;
    recording.preview(change);
  });

  const record = () =>
    change && void recording.record(change, pot.data?.version ?? null, { why: 'as it was made' });
</script>

{#if change}
  <RecordFoot {recording} folded act="Write it into the card" onrecord={record} />
{:else if pot.data}
  <p class="text-soft">The card says so now.</p>
{/if}
