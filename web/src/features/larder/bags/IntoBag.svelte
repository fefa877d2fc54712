<script lang="ts">
  import { DropdownMenu } from 'bits-ui';
  import { answer, api, type Schema } from '../../../api/client';
  import { jarsQuery } from '../../../api/queries';
  import { announcements } from '../../../app/announce.svelte';
  import { currentUser } from '../../people/currentUser.svelte';
  import { Recording } from '../../impact/recording.svelte';
  import { sentence } from '../../../api/client';

  /** Two taps from a pot or a product: into which bag it, or what is left of it, goes. */
  let { items }: { items: Schema['Named'][] } = $props();

  const jars = jarsQuery();
  const recording = new Recording();
  const bags = $derived(
    (jars.data?.entries ?? []).filter(
      (jar) => jar.is_bag && !items.some((item) => item.id === jar.id)
    )
  );

  async function put(bag: string, item: string) {
    const params = { path: { id: bag } };
    try {
      const { version } = await answer(api.GET('/api/v1/products/{id}', { params }));
      const person = currentUser.initials;
      await recording.record({ change: 'addition', bag, item, person }, version, { person });
      if (recording.error) announcements.say(sentence(recording.error));
    } catch (refusal) {
      announcements.say(sentence(refusal));
    }
  }
</script>

{#if bags.length > 0}
  <DropdownMenu.Root>
    <DropdownMenu.Trigger
      class="inline-flex min-h-11 items-center border-[1.5px] border-ink bg-sheet px-4 font-semibold whitespace-nowrap hover:bg-ladle-pale"
    >
      Into a bag
    </DropdownMenu.Trigger>
    <DropdownMenu.Portal>
      <DropdownMenu.Content
        sideOffset={4}
        align="end"
        class="z-50 max-w-md border border-edge bg-sheet text-ink"
      >
        {#each items as item (item.id)}
          {#each bags as bag (bag.id)}
            <DropdownMenu.Item
              class="flex min-h-11 cursor-pointer items-center px-3 data-highlighted:bg-ladle-pale"
              onSelect={() => put(bag.id, item.id)}
            >
              {item.name} into {bag.name}
            </DropdownMenu.Item>
          {/each}
        {/each}
      </DropdownMenu.Content>
    </DropdownMenu.Portal>
  </DropdownMenu.Root>
{/if}
