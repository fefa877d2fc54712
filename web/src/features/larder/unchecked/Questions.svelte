<script lang="ts">
  import { questionsQuery } from '../../../api/queries';
  import Disclaimer from '../../../ui/Disclaimer.svelte';
  import ErrorText from '../../../ui/ErrorText.svelte';
  import LarderPage from '../../../ui/larder/LarderPage.svelte';
  import SupplierQuestions from './SupplierQuestions.svelte';

  const questions = questionsQuery();
  /** Whose list is printed; the others are left out of it. */
  let printing = $state<string | null>(null);

  $effect(() => {
    if (printing !== null) window.print();
    printing = null;
  });
</script>

<LarderPage
  title="Ask the makers"
  told="What their labels leave open, one list a maker. Send it, and write the answers down here."
>
  <ErrorText error={questions.error} />
  {#each questions.data?.suppliers ?? [] as list (list.supplier)}
    <SupplierQuestions
      {list}
      hidden={printing !== null && printing !== list.supplier}
      onprint={() => (printing = list.supplier)}
    />
  {:else}
    {#if questions.data}
      <p class="py-6">No maker is asked anything: every label that was read is clear.</p>
    {/if}
  {/each}
  <div class="mt-3 print:hidden"><Disclaimer /></div>
</LarderPage>
