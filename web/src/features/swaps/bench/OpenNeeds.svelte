<script lang="ts">
  import { uncheckedQuery } from '../../../api/queries';
  import { asWords } from '../../../ui/marks/levels';
  import type { Bench } from './bench.svelte';

  /** The open needs of guests as questions: one tap asks for the plans that meet one. */
  let { bench }: { bench: Bench } = $props();

  const unchecked = uncheckedQuery();
  const needs = $derived((unchecked.data?.needs ?? []).map((entry) => entry.need));

  function ask(need: (typeof needs)[number]) {
    bench.goals = [
      ...(need.clear ?? []).map((id) => ({ what: 'clear' as const, id, name: asWords(id) })),
      ...(need.fit ?? []).map((id) => ({ what: 'fit' as const, id, name: asWords(id) }))
    ];
  }
  const told = (need: (typeof needs)[number]) =>
    [...(need.clear ?? []).map((id) => `no ${asWords(id)}`), ...(need.fit ?? []).map(asWords)].join(
      ', '
    );
</script>

{#if needs.length > 0}
  <ul class="flex flex-wrap gap-x-4" aria-label="Guests who wait for an answer">
    {#each needs as need (need.id)}
      <li>
        <button
          type="button"
          class="min-h-11 underline underline-offset-4"
          onclick={() => ask(need)}
          data-need={need.id}
        >
          {need.guest}: {told(need)}
        </button>
      </li>
    {/each}
  </ul>
{/if}
