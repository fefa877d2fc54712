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
  class="flex items-end gap-2.5 border-b border-rule pr-5 pb-3 max-desk:flex-wrap max-desk:px-5 max-phone:order-last max-phone:border-t max-phone:border-b-0 max-phone:bg-sheet max-phone:px-3 max-phone:py-2"
>
  <Button main href={p('/pots/:id/swaps', params)}>
    Find a swap
    <kbd class="amount border border-on-ladle/40 bg-white px-1.5 text-base max-phone:hidden">w</kbd>
  </Button>
  <span class="contents max-phone:hidden"><IntoBag {items} /></span>
  <Button href={p('/pots/:id/edit', params)}>Edit the card</Button>
  <PotMenu {pot} {items} {onname} />
</div>
