<script lang="ts">
  import { appliedPlansQuery } from '../../../api/queries';
  import SwapPage from '../bench/SwapPage.svelte';
  import AppliedRow from './AppliedRow.svelte';

  const plans = appliedPlansQuery();
</script>

<SwapPage
  title="Applied plans"
  told="Every plan that was put in, the newest first. One can be taken back as a whole as long as nobody has changed its cards since. What was tasted here counts more than what a rule says."
>
  {#if plans.data?.length === 0}
    <p class="mt-4 text-lead">No plan has been applied yet. Make one on the swap bench of a pot.</p>
  {/if}
  <ul>
    {#each plans.data ?? [] as plan (plan.id)}<AppliedRow {plan} />{/each}
  </ul>
</SwapPage>
