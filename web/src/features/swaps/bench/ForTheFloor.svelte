<script lang="ts">
  import Disclaimer from '../../../ui/Disclaimer.svelte';
  import type { Plan } from './bench.svelte';

  /** The picked plan as a sentence for the floor, and what has to be bought before it can be made. */
  let { plan }: { plan: Plan } = $props();
</script>

<div class="border-t border-rule px-5 py-2 max-phone:px-3">
  <p class="text-lead"><span class="text-soft">For the floor:</span> {plan.sentence}</p>
  {#if plan.buy.length > 0}
    <p class="text-clay" data-waits>
      Buy {plan.buy.join(', ')}, read its label into the larder, and ask again.
    </p>
  {/if}
  <Disclaimer />
</div>
