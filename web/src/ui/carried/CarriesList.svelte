<script module lang="ts">
  /** Whoever turned to the jars sees the next pot by its jars too. */
  let byJar = $state(false);
</script>

<script lang="ts">
  import type { Schema } from '../../api/client';
  import Pick from '../Pick.svelte';
  import BringerRow from './BringerRow.svelte';
  import CarriedRow from './CarriedRow.svelte';

  /**
   * What a pot carries, each thing once: by flag, what must be declared first; or by jar, each
   * with all that it brings. `ask` lights one flag up; `side` has room for names beside the ways.
   */
  let {
    carries,
    ask = null,
    side = false
  }: { carries: Schema['CarriesOut']; ask?: string | null; side?: boolean } = $props();
</script>

{#if carries.parts.length === 0}
  <p>Carries none of the flags that are kept here.</p>
{:else}
  <Pick
    label="Order"
    options={[
      { value: false, name: 'By flag' },
      { value: true, name: 'By jar' }
    ]}
    bind:value={byJar}
  />
  {#if byJar}
    <ul class="mt-2 grid gap-2" data-by="jar">
      {#each carries.bringers as bringer (bringer.way.names.join() + bringer.way.via.join())}
        <BringerRow {bringer} {ask} />
      {/each}
    </ul>
  {:else}
    <div data-by="flag">
      {#each carries.parts as part (part.id)}
        <h3 class={['mt-3 mb-0.5 text-base', part.id === 'declared' ? 'text-ink' : 'text-soft']}>
          {part.name}
        </h3>
        <ul class="grid gap-0.5">
          {#each part.entries as entry (entry.flags.join())}
            <CarriedRow {entry} {side} lit={ask !== null && entry.flags.includes(ask)} />
          {:else}
            <li>Nothing.</li>
          {/each}
        </ul>
      {/each}
    </div>
  {/if}
{/if}
