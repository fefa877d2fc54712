<script lang="ts">
  import type { Schema } from '../../../api/client';
  import { currentUser } from '../../../api/currentUser.svelte';
  import { potQuery } from '../../../api/queries';
  import RecordFoot from '../../../ui/impact/RecordFoot.svelte';
  import { Recording, type Change } from '../../../ui/impact/recording.svelte';

  /** What the latest batches came to beside the card's figure, and its way into the card. */
  let { preparation, measured }: { preparation: string; measured: Schema['MeasuredYield'] } =
    $props();

  const pot = potQuery(() => preparation);
  const recording = new Recording();
  const rounded = (amount: number) => Number(amount.toPrecision(3));

  const change = $derived.by((): Change | null => {
    const piece = pot.data?.preparation;
    if (!piece?.yield) return null;
    const quantity = rounded(measured.quantity);
    return {
      change: 'preparation',
      preparation: { ...piece, yield: { ...piece.yield, quantity } }
    };
  });

  $effect(() => {
    void currentUser.initials;
    recording.preview(change);
  });

  const record = () =>
    change &&
    void recording.record(change, pot.data?.version ?? null, { why: 'as its batches came out' });
</script>

{#if change}
  <section class="mt-4" aria-labelledby="measured" data-measured>
    <h2 id="measured" class="text-lead">What it really yields</h2>
    <p>
      {measured.batches} batches came to
      <span class="amount">{rounded(measured.quantity)} {measured.unit}</span> for one card ({rounded(
        measured.low
      )} to {rounded(measured.high)}); the card says
      <span class="amount">{pot.data?.preparation.yield?.quantity} {measured.unit}</span>.
      {#if measured.lost != null && measured.lost > 0}
        About {Math.round(measured.lost * 100)} % of what went in was lost on the way.
      {/if}
    </p>
    <RecordFoot {recording} folded act="Write it into the card" onrecord={record} />
  </section>
{/if}
