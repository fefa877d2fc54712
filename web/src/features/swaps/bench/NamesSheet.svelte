<script lang="ts">
  import Button from '../../../ui/Button.svelte';
  import Sheet from '../../../ui/Sheet.svelte';
  import type { Bench } from './bench.svelte';

  /** The pots that will be made, each named by what it is, until somebody says otherwise. */
  let {
    bench,
    open = $bindable(),
    onmake
  }: { bench: Bench; open: boolean; onmake: () => void } = $props();

  const pots = $derived(bench.plan?.pots ?? []);
  const named = (id: string) => bench.names[id] ?? bench.plan?.names[id] ?? '';
</script>

<Sheet bind:open title="Small pots beside the usual">
  <p class="mb-2 text-soft">The usual pots stay as they are. Bases come first.</p>
  {#each pots as pot (pot.id)}
    <label class="mb-2 block">
      <span class="text-soft">{pot.name}</span>
      <input
        class="field"
        maxlength="200"
        value={named(pot.id)}
        oninput={(event) => (bench.names[pot.id] = event.currentTarget.value)}
      />
    </label>
  {/each}
  {#snippet foot()}
    <Button
      main
      disabled={bench.busy || pots.some((pot) => named(pot.id).trim() === '')}
      onclick={() => {
        open = false;
        onmake();
      }}
    >
      Make them
    </Button>
    <Button onclick={() => (open = false)}>Cancel</Button>
  {/snippet}
</Sheet>
