<script lang="ts">
  import { uncheckedQuery } from '../../api/queries';
  import { p } from '../../app/routes';
  import Button from '../../ui/Button.svelte';
  import ErrorText from '../../ui/ErrorText.svelte';
  import Page from '../../ui/Page.svelte';
  import Needs from '../../ui/Needs.svelte';

  /** Guests: who waits for an answer, what one of them can have, and the menu for all. */
  const unchecked = uncheckedQuery();
</script>

<Page title="Guests" told="Who waits for an answer, and what they can have.">
  <ErrorText error={unchecked.error} />
  <div class="mt-4 flex flex-wrap gap-3">
    <Button main href={p('/can-have')}>What can this guest have?</Button>
    <Button href={p('/menu')}>The whole menu</Button>
  </div>
  {#if unchecked.data}
    <div class="mt-5 max-w-xl"><Needs needs={unchecked.data.needs} /></div>
  {/if}
</Page>
