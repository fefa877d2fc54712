<script lang="ts">
  import { heard } from '../api/heard.svelte';

  /** Over every verdict and mark while the kitchen is not heard: what is shown may have changed. */
  const since = $derived(heard.lostSince?.toLocaleTimeString('sv-SE').slice(0, 5));
</script>

<div class="col-start-2">
  {#if since}
    <p role="alert" data-lost class="bg-brick px-5 py-3 text-head font-[650] text-porcelain">
      Not heard from the kitchen since {since}. What is shown may have changed: ask before you
      serve.
    </p>
  {/if}
</div>
