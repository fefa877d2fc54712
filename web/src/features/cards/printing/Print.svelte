<script lang="ts">
  import Field from '../../../ui/Field.svelte';
  import { kitchenQuery, potQuery } from '../../../api/queries';
  import { selection } from '../../../lib/selection.svelte';
  import Button from '../../../ui/Button.svelte';
  import ErrorText from '../../../ui/ErrorText.svelte';
  import { p, route } from '../../../app/routes';
  import CardSheet from './CardSheet.svelte';

  /** The card as a sheet of paper: what the browser prints is what is seen here. */
  const id = $derived(route.params.id ?? '');
  const pot = potQuery(() => route.params.id ?? null);
  const kitchen = kitchenQuery();
  let size = $state<'A4' | 'A5'>('A4');

  $effect(() => {
    selection.pot = id;
  });
</script>

<svelte:head
  ><title>{pot.data?.preparation.name ?? 'Card'} to print · Yellow Ladle</title></svelte:head
>

<div class="h-full overflow-y-auto print:h-auto print:overflow-visible">
  <div class="flex flex-wrap items-end gap-3 border-b border-rule px-5 py-3 print:hidden">
    <div class="mr-auto">
      <h1 class="text-title">Print the card</h1>
      <a class="underline" href={p('/pots/:id', { params: { id } })}>Back to the card</a>
    </div>
    <Field label="Paper" class="w-32">
      <select class="field" bind:value={size}>
        <option value="A4">A4</option>
        <option value="A5">A5</option>
      </select>
    </Field>
    <Button main onclick={() => window.print()}>Print</Button>
    <Button href="/api/v1/cards/{id}/card.pdf?size={size}">Save as PDF</Button>
  </div>
  {#if pot.data}
    <CardSheet pot={pot.data} {size} kitchen={kitchen.data} at={pot.dataUpdatedAt} />
  {:else}
    <div class="p-8"><ErrorText error={pot.error} /></div>
  {/if}
</div>
