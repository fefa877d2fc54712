<script lang="ts">
  import { untrack } from 'svelte';
  import Button from '../../ui/Button.svelte';
  import ErrorText from '../../ui/ErrorText.svelte';
  import { asWords } from '../../lib/levels';
  import type { Recipes } from './recipes.svelte';
  import { UnsaidWords } from './unsaid.svelte';

  /** What lines name besides their items: a line of its own, one or the other, or not in it. */
  let { recipes }: { recipes: Recipes } = $props();

  const unsaid = untrack(() => new UnsaidWords(recipes));
</script>

{#if unsaid.open.length > 0}
  <section class="mt-5" aria-labelledby="unsaid" data-unsaid>
    <h2 id="unsaid" class="text-lead">Named in a line, and not by its item</h2>
    <p class="text-soft">Recorded without an answer, it counts as not checked.</p>
    <ul class="mt-1">
      {#each unsaid.open as entry (`${entry.recipe.preparation.id} ${entry.index} ${entry.text}`)}
        <li
          class="grid grid-cols-[minmax(0,1fr)_auto] items-center gap-x-4 gap-y-1 border-t border-rule py-2 max-desk:grid-cols-1"
        >
          <p>
            “{entry.recipe.lines[entry.index]?.text}” is {entry.item}. And the
            <b class="font-strong">{entry.text}</b>?
            <span class="text-clay">({entry.flags.map(asWords).join(', ')})</span>
            <span class="block text-soft">{entry.recipe.preparation.name}</span>
          </p>
          <div class="flex flex-wrap gap-2">
            <Button onclick={() => void unsaid.addLine(entry)}>A line of its own</Button>
            <Button onclick={() => void unsaid.addLine(entry, true)}>One or the other</Button>
            <Button onclick={() => unsaid.refuse(entry)}>Not in it</Button>
          </div>
        </li>
      {/each}
    </ul>
    <ErrorText error={unsaid.error} />
  </section>
{/if}
