<script lang="ts">
  import type { Schema } from '../api/client';
  import { uncheckedQuery } from '../api/queries';
  import { asWords } from '../lib/levels';
  import type { Goal } from './goals';

  /** The open needs of guests as questions: one tap asks one of them. */
  let { onask }: { onask: (goals: Goal[], need: Schema['NeedPiece']) => void } = $props();

  const unchecked = uncheckedQuery();
  const needs = $derived((unchecked.data?.needs ?? []).map((entry) => entry.need));

  function ask(need: (typeof needs)[number]) {
    const goals = [
      ...(need.clear ?? []).map((id) => ({ what: 'clear' as const, id, name: asWords(id) })),
      ...(need.fit ?? []).map((id) => ({ what: 'fit' as const, id, name: asWords(id) }))
    ];
    onask(goals, need);
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
