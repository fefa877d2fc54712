<script lang="ts">
  import { jarsQuery } from '../../../api/queries';
  import LarderPage from '../../../ui/larder/LarderPage.svelte';
  import Button from '../../../ui/Button.svelte';
  import Disclaimer from '../../../ui/Disclaimer.svelte';
  import { p } from '../../../app/routes';
  import BagRow from './BagRow.svelte';

  const jars = jarsQuery();
  const bags = $derived((jars.data?.entries ?? []).filter((jar) => jar.is_bag));
</script>

<LarderPage
  title="Running bags"
  told="Shells, trimmings, bread ends, fat tubs: each carries all that went in since it was last emptied and washed."
>
  {#snippet aside()}
    <Button href={p('/larder/:id', { params: { id: 'new' } })}>New bag</Button>
  {/snippet}
  <ul>
    {#each bags as bag (bag.id)}
      <BagRow id={bag.id} />
    {:else}
      <li class="max-w-xl py-6">
        No bag is kept yet. Record a product and mark it, under Made of, as a running bag; begin
        with the shells in the freezer.
      </li>
    {/each}
  </ul>
  <div class="mt-3"><Disclaimer /></div>
</LarderPage>
