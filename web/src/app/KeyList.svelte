<script lang="ts">
  import Check from '../ui/Check.svelte';
  import Sheet from '../ui/Sheet.svelte';
  import { KEYS, keyList } from './keys.svelte';
  import { singleKeys } from './singleKeys.svelte';
</script>

<Sheet bind:open={keyList.open} title="Keys">
  <dl class="grid grid-cols-[120px_1fr] gap-y-3">
    {#each KEYS as [key, does] (key)}
      <dt class="amount">{key}</dt>
      <dd>{does}</dd>
    {/each}
  </dl>
  <Check class="mt-3" bind:checked={singleKeys.on}>Single keys act on this device</Check>
  <p class="text-soft">
    A key acts only where it comes alone: what a scanner types never does. Arrows and Enter stay.
  </p>
</Sheet>
