<script lang="ts">
  import Button from '../../../ui/Button.svelte';
  import type { Bench } from './bench.svelte';

  /** Each goal and limit with what letting it go would open. */
  let { bench }: { bench: Bench } = $props();
  const pots = (count: number) => `${count} ${count === 1 ? 'pot' : 'pots'}`;
</script>

<section class="mt-4 mb-5" aria-labelledby="loosen">
  <h2 id="loosen" class="text-lead">What dropping a goal or limit would allow</h2>
  {#if bench.loosened === null}
    <div class="mt-2">
      <Button onclick={() => bench.askWhatLooseningOpens()}>Try each goal and limit</Button>
    </div>
  {:else if bench.loosened.length === 0}
    <p class="mt-1 text-soft">There is one goal only, and no limit.</p>
  {:else}
    <ul class="mt-1">
      {#each bench.loosened as entry (entry.what + entry.id)}
        <li class="flex items-center gap-4 border-b border-rule py-1.5">
          <span class="w-52 flex-none font-strong">Without “{entry.name.toLowerCase()}”</span>
          <span class="flex-1">
            {#if entry.opens}
              {entry.sentence}
              <span class="text-soft">
                {entry.swaps} swaps, {pots(entry.pots)}{entry.adds.length > 0
                  ? `; brings ${entry.adds.join(', ').toLowerCase()}`
                  : ''}.
              </span>
            {:else}
              <span class="text-soft">Still no plan.</span>
            {/if}
          </span>
          {#if entry.opens}
            <Button onclick={() => bench.loosen(entry)}>Drop it</Button>
          {/if}
        </li>
      {/each}
    </ul>
  {/if}
</section>
