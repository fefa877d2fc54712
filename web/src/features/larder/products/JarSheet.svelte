<script lang="ts">
  import { untrack } from 'svelte';
  import { answer, api, type Schema } from '../../../api/client';
  import { navigate } from '../../../app/routes';
  import Button from '../../../ui/Button.svelte';
  import ItemBox from '../../../ui/ItemBox.svelte';
  import Sheet from '../../../ui/Sheet.svelte';
  import RecordFoot from '../../../ui/impact/RecordFoot.svelte';
  import { Recording, type Change } from '../../../ui/impact/recording.svelte';

  /** Puts a jar away, puts another jar into it that is the same good, or removes it. */
  let { known, onclose }: { known: Schema['ProductOut']; onclose: () => void } = $props();

  type Act = 'retire' | 'merge' | 'remove';
  const recording = new Recording();
  const product = untrack(() => known.product);
  const seen = untrack(() => known.version);
  const free = untrack(() => known.goes_into.length + known.in_goods.length === 0);
  let act = $state<Act>('retire');
  let other = $state('');

  const WORDS: [Act, string][] = [
    ['retire', product.retired ? 'Take it out again' : 'Put it away'],
    ['merge', 'Another jar is the same'],
    ['remove', 'Remove it']
  ];

  const change = $derived.by((): Change | null => {
    if (act === 'retire')
      return { change: 'product_retirement', product: product.id, retired: !product.retired };
    if (act === 'remove') return { change: 'removal', item: product.id };
    return other === '' ? null : { change: 'product_merging', keep: product.id, gone: other };
  });
  $effect(() => recording.preview(change));

  async function versions(): Promise<Record<string, number> | undefined> {
    if (act !== 'merge') return undefined;
    const params = { path: { id: other } };
    const found = await answer(api.GET('/api/v1/products/{id}', { params }));
    return { [product.id]: seen, [other]: found.version };
  }

  async function record() {
    if (!change) return;
    if (!(await recording.record(change, seen, { seen_each: await versions() }))) return;
    onclose();
    if (act === 'remove') void navigate('/larder');
  }
</script>

<Sheet bind:open={() => true, onclose} title={product.name}>
  <div class="flex flex-wrap gap-2">
    {#each WORDS as [key, word] (key)}
      <Button onclick={() => (act = key)}>{act === key ? '• ' : ''}{word}</Button>
    {/each}
  </div>
  {#if act === 'retire'}
    <p class="mt-4">
      {product.retired
        ? 'It is found and offered again.'
        : 'It is not offered any more, and stays in all that is made with it, with all its flags.'}
    </p>
  {:else if act === 'merge'}
    <label class="mt-4 block" for="same-good">The other jar of the same good</label>
    <ItemBox id="same-good" label="The other jar" only="product" bind:item={other} />
    <p class="mt-2 text-soft">
      It goes into this one, wherever it is used. Where their labels differ both stay, as makers,
      and the highest of both counts. The history of both is kept here.
    </p>
  {:else}
    <p class="mt-4">
      {free
        ? 'It leaves the larder; its history stays.'
        : 'Something is made with it, so it cannot be removed. Put it away instead.'}
    </p>
  {/if}
  {#snippet foot()}
    <RecordFoot
      {recording}
      wants={act === 'merge' && other === '' ? 'Say which jar.' : ''}
      onrecord={record}
    />
  {/snippet}
</Sheet>
