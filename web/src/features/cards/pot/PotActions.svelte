<script lang="ts">
  import { p } from '../../../app/routes';
  import Button from '../../../ui/Button.svelte';
  import IntoBag from '../../../ui/bags/IntoBag.svelte';
  import type { Pot } from '../../../lib/lines';
  import PotMenu from './PotMenu.svelte';

  /** What can be done with a pot: beside its name, on a phone within the thumb's reach. */
  let { pot, onname }: { pot: Pot; onname: () => void } = $props();

  const made = $derived(pot.preparation);
  const items = $derived([
    { id: made.id, name: made.name },
    ...(made.by_products ?? []).map((part) => ({ id: `${made.id}/${part.id}`, name: part.name }))
  ]);
  const params = $derived({ params: { id: made.id } });
</script>

<div
  class="flex items-end gap-2.5 border-b border-rule pr-5 pb-3 max-[62.5rem]:flex-wrap max-[62.5rem]:px-5 max-[43.75rem]:order-last max-[43.75rem]:border-t max-[43.75rem]:border-b-0 max-[43.75rem]:bg-sheet max-[43.75rem]:px-3 max-[43.75rem]:py-2"
>
  <Button main href={p('/pots/:id/swaps', params)}>
    Find a swap
    <kbd class="amount border border-on-ladle/40 bg-white px-1.5 text-base max-[43.75rem]:hidden"
      >w</kbd
    >
  </Button>
  <span class="contents max-[43.75rem]:hidden"><IntoBag {items} /></span>
  <Button href={p('/pots/:id/edit', params)}>Edit the card</Button>
  <PotMenu {pot} {items} {onname} />
</div>
