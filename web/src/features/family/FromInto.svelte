<script lang="ts">
  import type { Board } from './board.svelte';
  import { selection } from '../../lib/selection.svelte';

  /** On a phone the pour in words: what the chosen pot is made from, and what it goes into. */
  let { board }: { board: Board } = $props();

  const shown = (pots: string[] = []) => [...new Set(pots)].filter((id) => board.strips.has(id));
  const ways = $derived(
    (
      [
        ['from', shown(board.selected?.made_from)],
        ['into', shown(board.selected?.goes_into)]
      ] as const
    ).filter(([, pots]) => pots.length > 0)
  );
</script>

<div class="hidden max-phone:block">
  {#each ways as [way, pots] (way)}
    <p class="text-soft">
      {way}
      {#each pots as id (id)}
        <button
          type="button"
          class="mr-2 min-h-11 text-ink underline underline-offset-4"
          onclick={() => (selection.pot = id)}>{board.strips.get(id)?.name}</button
        >
      {/each}
    </p>
  {/each}
</div>
