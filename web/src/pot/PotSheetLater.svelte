<script lang="ts">
  /**
   * The form for a new pot, fetched when it is first wanted. It stands in a component of its own
   * because the router takes a place whose source holds an import for one that is itself fetched.
   */
  let { open = $bindable() }: { open: boolean } = $props();
</script>

{#if open}
  {#await import('./PotSheet.svelte') then { default: PotSheet }}
    <PotSheet bind:open />
  {/await}
{/if}
