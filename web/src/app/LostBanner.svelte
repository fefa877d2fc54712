<script lang="ts">
  import { heard } from '../api/heard.svelte';

  /** Over every verdict and mark while the kitchen is not heard: what is shown may have changed. */
  const since = $derived(heard.lostSince?.toLocaleTimeString('sv-SE').slice(0, 5));
</script>

<div role="alert" class="col-start-2" data-lost={since}>
  {#if since}
    <p class="bg-brick px-5 py-3 text-head font-[650] text-porcelain">
      Not heard from the kitchen since {since}. What is shown may have changed: ask before you
      serve.
    </p>
  {/if}
</div>
