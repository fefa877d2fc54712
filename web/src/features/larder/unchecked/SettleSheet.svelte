<script lang="ts">
  import { untrack } from 'svelte';
  import { answer, api, type Schema } from '../../../api/client';
  import PersonPick from '../../people/PersonPick.svelte';
  import { currentUser } from '../../people/currentUser.svelte';
  import Sheet from '../../../ui/Sheet.svelte';
  import RecordFoot from '../../impact/RecordFoot.svelte';
  import { Recording, type Change } from '../../impact/recording.svelte';

  /** Settles one lid at once: marked as a plain single food, or a bag emptied and washed. */
  let { entry, onclose }: { entry: Schema['HeldOut']; onclose: () => void } = $props();

  const recording = new Recording();
  const emptying = untrack(() => entry.settle === 'empty_bag');
  let change = $state.raw<Change | null>(null);

  async function wanted(): Promise<Change> {
    const person = currentUser.initials;
    if (emptying) return { change: 'emptying', bag: entry.item, washed: true, person };
    const path = { id: entry.item };
    const { product } = await answer(api.GET('/api/v1/products/{id}', { params: { path } }));
    const date = new Date().toLocaleDateString('sv-SE');
    const otherwise = { kind: 'plain_food' as const, date, person };
    const evidence = { ...product.evidence, otherwise };
    return { change: 'product', product: { ...product, otherwise: 'free', evidence } };
  }

  $effect(() => {
    void currentUser.person;
    recording.preview(async () => (change = await wanted()));
  });

  async function record() {
    if (change && (await recording.record(change, entry.version, { person: currentUser.initials })))
      onclose();
  }
</script>

<Sheet bind:open={() => true, onclose} title={entry.name}>
  <p>
    {emptying
      ? 'It was emptied and washed: it forgets what was in it.'
      : 'It is a plain single food, with nothing else in it: what is not stated of it counts as free.'}
  </p>
  <div class="mt-3"><PersonPick /></div>
  {#snippet foot()}<RecordFoot {recording} onrecord={record} />{/snippet}
</Sheet>
