<script lang="ts">
  import { untrack } from 'svelte';
  import type { Schema } from '../../../api/client';
  import WriterNote from '../../../ui/WriterNote.svelte';
  import { currentUser } from '../../../api/currentUser.svelte';
  import Sheet from '../../../ui/Sheet.svelte';
  import RecordFoot from '../../../ui/impact/RecordFoot.svelte';
  import { Recording, type Change } from '../../../ui/impact/recording.svelte';

  /** Settles one lid at once: marked as a plain single food, or a bag emptied and washed. */
  let { entry, onclose }: { entry: Schema['HeldOut']; onclose: () => void } = $props();

  const recording = new Recording();
  const emptying = untrack(() => entry.settle === 'empty_bag');
  const change = $derived.by((): Change | null => {
    if (emptying) return { change: 'emptying', bag: entry.item, washed: true };
    return currentUser.initials ? { change: 'plain_food', product: entry.item } : null;
  });

  $effect(() => recording.preview(change));

  async function record() {
    if (change && (await recording.record(change, entry.version))) onclose();
  }
</script>

<Sheet bind:open={() => true, onclose} title={entry.name}>
  <p>
    {emptying
      ? 'It was emptied and washed: it forgets what was in it.'
      : `It is a plain single food, with nothing else in it. This records ${entry.plain?.sentence}.`}
  </p>
  <div class="mt-3"><WriterNote /></div>
  {#snippet foot()}<RecordFoot
      {recording}
      wants={change ? '' : 'Say who you are: free wants the person behind it.'}
      onrecord={record}
    />{/snippet}
</Sheet>
