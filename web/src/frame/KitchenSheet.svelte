<script lang="ts">
  import { answer, api, type Schema } from '../api/client';
  import { afterRecording } from '../api/queries';
  import Act from '../parts/Act.svelte';
  import Sheet from '../parts/Sheet.svelte';
  import Trouble from '../parts/Trouble.svelte';

  /** Names the kitchen and picks the law that it declares by. */
  let { kitchen, onclose }: { kitchen: Schema['KitchenOut']; onclose: () => void } = $props();

  let name = $derived(kitchen.name);
  let regime = $derived(kitchen.regime.id);
  let error = $state<unknown>(null);

  async function record() {
    try {
      const body = { name: name.trim(), regime, seen: kitchen.version };
      await answer(api.PUT('/api/v1/kitchen', { body }));
      await afterRecording();
      onclose();
    } catch (refusal) {
      error = refusal;
    }
  }
</script>

<Sheet bind:open={() => true, onclose} title="The kitchen">
  <div class="grid gap-4">
    <label class="block">
      <span class="text-soft">Name</span>
      <input class="field" bind:value={name} />
    </label>
    <label class="block">
      <span class="text-soft">Declares by</span>
      <select class="field" bind:value={regime}>
        {#each kitchen.regimes as known (known.id)}
          <option value={known.id}>{known.name}</option>
        {/each}
      </select>
    </label>
    <p class="text-soft">
      What the pots carry stays as it is; only what must be declared changes. Check your local law.
    </p>
    <Trouble {error} />
  </div>
  {#snippet foot()}
    <Act main disabled={name.trim() === ''} onclick={record}>Record</Act>
  {/snippet}
</Sheet>
