<script lang="ts">
  import { historyQuery } from '../../api/queries';
  import LarderPage from '../../ui/larder/LarderPage.svelte';
  import AsOf from './AsOf.svelte';
  import ChangeLog from '../../ui/changes/ChangeLog.svelte';

  const history = historyQuery(() => null);
</script>

<LarderPage
  title="History"
  told="Every change of a jar, a card, a tool, a guest or a setting: who, when, what it was before. Taking one back is a new change."
>
  <div class="grid grid-cols-[minmax(0,1fr)_360px] gap-8 max-desk:grid-cols-1">
    <ChangeLog entries={history.data ?? []} />
    <AsOf />
  </div>
</LarderPage>
