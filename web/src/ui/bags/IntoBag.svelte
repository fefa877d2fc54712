<script lang="ts">
  import { DropdownMenu } from 'bits-ui';
  import type { Schema } from '../../api/client';
  import { BagFilling } from './bagFilling.svelte';

  let { items }: { items: Schema['Named'][] } = $props();

  const filling = new BagFilling(() => items);
</script>

{#if filling.choices.length > 0}
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
        {#each filling.choices as { item, bag } (item.id + bag.id)}
          <DropdownMenu.Item
            class="flex min-h-11 cursor-pointer items-center px-3 data-highlighted:bg-ladle-pale"
            onSelect={() => filling.put(bag.id, item.id)}
          >
            {item.name} into {bag.name}
          </DropdownMenu.Item>
        {/each}
      </DropdownMenu.Content>
    </DropdownMenu.Portal>
  </DropdownMenu.Root>
{/if}
