<script lang="ts">
  import Sheet from '../ui/Sheet.svelte';
  import { KEYS, keyList } from './keys.svelte';
</script>

<Sheet bind:open={keyList.open} title="Keys">
  <dl class="grid grid-cols-[120px_1fr] gap-y-3">
    {#each KEYS as [key, does] (key)}
      <dt class="amount">{key}</dt>
      <dd>{does}</dd>
    {/each}
  </dl>
</Sheet>
