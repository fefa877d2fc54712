<script lang="ts">
  import { DropdownMenu } from 'bits-ui';
  import type { Schema } from '../../../api/client';
  import { navigate, p } from '../../../app/routes';
  import { BagFilling } from '../../../ui/bags/bagFilling.svelte';
  import type { Pot } from '../../../lib/lines';

  /** What else can be done with a card. */
  let { pot, items, onname }: { pot: Pot; items: Schema['Named'][]; onname: () => void } = $props();

  const filling = new BagFilling(() => items);

  const params = $derived({ params: { id: pot.preparation.id } });
  const file = (name: string) => `/api/v1/cards/${pot.preparation.id}/${name}`;
  const item =
    'flex min-h-11 cursor-pointer items-center px-4 outline-none data-highlighted:bg-ladle-pale';
  const pages = $derived([
    ['Scale it', p('/pots/:id/scale', params)],
    ['Thicken it', p('/pots/:id/thickening', params)],
    ['Ways, versions, other pots', p('/pots/:id/compare', params)],
    ['Print the card', p('/pots/:id/print', params)]
  ] as const);
  const files = $derived([
    ['Save as Markdown', file('card.md')],
    ['Save as a recipe (JSON-LD)', `/api/v1/recipes.jsonld?item=${pot.preparation.id}`]
  ] as const);
</script>

<DropdownMenu.Root>
  <DropdownMenu.Trigger
    class="inline-flex min-h-11 items-center border-[1.5px] border-ink bg-sheet px-4 font-semibold hover:bg-ladle-pale"
  >
    More
  </DropdownMenu.Trigger>
  <DropdownMenu.Portal>
    <DropdownMenu.Content
      align="end"
      sideOffset={4}
      class="z-50 min-w-64 border border-edge bg-sheet py-1 text-base text-ink"
    >
      {#each pages as [word, href] (href)}
        <DropdownMenu.Item class={item} onSelect={() => void navigate(href as '/')}>
          {word}
        </DropdownMenu.Item>
      {/each}
      <DropdownMenu.Item class={item} onSelect={onname}>
        Copy, rename or retire it
      </DropdownMenu.Item>
      {#each filling.choices as { item: put, bag } (put.id + bag.id)}
        <DropdownMenu.Item class="{item} phone:hidden" onSelect={() => filling.put(bag.id, put.id)}>
          {put.name} into {bag.name}
        </DropdownMenu.Item>
      {/each}
      <DropdownMenu.Separator class="my-1 border-t border-rule" />
      {#each files as [word, href] (href)}
        <DropdownMenu.Item class={item} onSelect={() => location.assign(href)}>
          {word}
        </DropdownMenu.Item>
      {/each}
    </DropdownMenu.Content>
  </DropdownMenu.Portal>
</DropdownMenu.Root>
