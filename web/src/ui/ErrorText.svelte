<script lang="ts">
  import { sentence } from '../api/client';

  /** What went wrong, in the server's sentences. */
  let { error }: { error: unknown } = $props();
</script>

{#if error}
  <p role="alert" class="border-l-4 border-brick py-1 pl-3 text-brick">{sentence(error)}</p>
{/if}
