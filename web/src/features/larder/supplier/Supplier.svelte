<script lang="ts">
  import { answer, api, type Schema } from '../../../api/client';
  import { noticesQuery } from '../../../api/queries';
  import { Write } from '../../../api/write.svelte';
  import LarderPage from '../../../ui/larder/LarderPage.svelte';
  import Button from '../../../ui/Button.svelte';
  import ErrorText from '../../../ui/ErrorText.svelte';
  import CodeReader from './CodeReader.svelte';
  import NoticeView from './NoticeView.svelte';

  const notices = noticesQuery();
  const fetching = new Write(() => answer(api.POST('/api/v1/feed/fetch')), { reaches: 'notices' });
  let told = $state('');

  function words(found: Schema['FetchedOut']): string {
    const fresh =
      found.notices === 0
        ? 'nothing differs from what is recorded'
        : `${found.notices} ${found.notices === 1 ? 'label has' : 'labels have'} changed`;
    const unknown =
      found.unknown_goods.length > 0
        ? ` Not in the larder yet: ${found.unknown_goods.join(', ')}.`
        : '';
    return `${found.sheets} sheets read: ${fresh}.${unknown}`;
  }

  async function fetchSheets() {
    const found = await fetching.send(undefined);
    told = found ? words(found) : '';
  }
</script>

<LarderPage
  title="Supplier"
  told="Sheets from the supplier's feed against what is recorded here. A changed label waits until somebody decides."
>
  {#snippet aside()}
    <Button main disabled={fetching.busy} onclick={fetchSheets}>Fetch the sheets</Button>
  {/snippet}
  <ErrorText error={fetching.error} />
  <p class="min-h-6 pt-2 font-semibold" aria-live="polite">{told}</p>
  <div class="grid grid-cols-[minmax(0,1fr)_340px] gap-8 max-desk:grid-cols-1">
    <div>
      {#each notices.data ?? [] as notice (notice.id)}
        <NoticeView {notice} />
      {:else}
        <p class="py-4 text-soft">No changed label is waiting for a decision.</p>
      {/each}
    </div>
    <CodeReader />
  </div>
</LarderPage>
