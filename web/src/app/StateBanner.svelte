<script lang="ts">
  import { heard } from '../api/heard.svelte';
  import { healthQuery, kitchenQuery } from '../api/queries';
  import FirstSteps from '../features/family/first/FirstSteps.svelte';
  import MadeUp from './MadeUp.svelte';

  const kitchen = kitchenQuery();
  const health = healthQuery();

  /**
   * Over every verdict and mark while the kitchen is not heard: what is shown may have changed. Then
   * what somebody has to see to: backups that fail, and a line that others can read.
   */
  const since = $derived(heard.lostSince?.toLocaleTimeString('sv-SE').slice(0, 5));
</script>

{#if since}
  <p role="alert" data-lost class="bg-brick px-5 py-3 text-head font-strong text-porcelain">
    Not heard from the kitchen since {since}. What is shown may have changed: ask before you serve.
  </p>
{/if}
{#if kitchen.data?.made_up}<MadeUp />{:else}<FirstSteps />{/if}
{#if health.data?.worry}
  <p class="bg-clay-pale px-5 py-1 text-clay" data-worry>{health.data.worry}</p>
{/if}
{#if kitchen.data?.in_the_clear}
  <p class="bg-clay-pale px-5 py-1 text-clay" data-in-the-clear>
    Whoever is on this network can read and change what is sent. Start the kitchen with --tls.
  </p>
{/if}
