<script lang="ts">
  import { untrack } from 'svelte';
  import { productQuery } from '../../../api/queries';
  import LevelLists from '../../../ui/marks/LevelLists.svelte';
  import Button from '../../../ui/Button.svelte';
  import ItemBox from '../../../ui/ItemBox.svelte';
  import ErrorText from '../../../ui/ErrorText.svelte';
  import { Recording, type Change } from '../../../ui/impact/recording.svelte';
  import { p } from '../../../app/routes';

  /** One bag: what is in it, and the two taps that put more in. */
  let { id }: { id: string } = $props();

  const bag = productQuery(() => id);
  const recording = new Recording();
  let item = $state('');
  let round = $state(0);
  const content = $derived(bag.data?.product.bag);
  const added = $derived(content?.additions ?? []);
  const name = (of: string) => bag.data?.inside.find((known) => known.id === of)?.name ?? of;

  async function act(change: Change) {
    if (!bag.data) return;
    if (await recording.record(change, bag.data.version)) {
      item = '';
      round += 1;
    }
  }

  // Choosing something puts it in: the second tap is the name itself.
  $effect(() => {
    if (item !== '') untrack(() => void act({ change: 'addition', bag: id, item }));
  });

  const empty = (washed: boolean) => act({ change: 'emptying', bag: id, washed });
</script>

{#if bag.data}
  <li
    class="grid grid-cols-[minmax(0,1fr)_minmax(0,1fr)_320px] gap-6 border-b border-rule py-4 max-desk:grid-cols-1"
    data-bag={id}
  >
    <div>
      <h2 class="text-name">
        <a class="hover:underline" href={p('/larder/:id', { params: { id } })}>
          {bag.data.product.name}
        </a>
      </h2>
      <p class="text-soft">
        {content?.emptied
          ? `Last emptied ${content.emptied}${content.emptied_by ? ` by ${content.emptied_by}` : ''}`
          : 'Nobody has written down when it was last empty'}
      </p>
      <ul class="mt-1">
        {#each added as entry, index (index)}
          <li class="border-t border-rule py-1">
            {name(entry.item)}
            <span class="text-soft">
              {entry.date}{entry.person ? ` by ${entry.person}` : ''}{entry.live
                ? ''
                : ', as it was that day'}
            </span>
          </li>
        {:else}
          <li class="text-soft">Nothing was put in since.</li>
        {/each}
      </ul>
    </div>
    <div>
      <h3 class="text-lead">It carries</h3>
      <LevelLists flags={bag.data.flags} />
      {#if Object.keys(bag.data.flags).length === 0}<p class="text-soft">
          No flag is recorded.
        </p>{/if}
    </div>
    <div class="grid content-start gap-2">
      {#key round}
        <label class="block" for="into-{id}">
          <span class="text-soft">Put in</span>
          <ItemBox id="into-{id}" label="Put into {bag.data.product.name}" bind:item />
        </label>
      {/key}
      <div class="flex flex-wrap gap-2">
        <Button disabled={recording.busy} onclick={() => empty(true)}>Emptied and washed</Button>
        <Button disabled={recording.busy} onclick={() => empty(false)}>Emptied, not washed</Button>
      </div>
      <ErrorText error={recording.error} />
    </div>
  </li>
{/if}
