<script lang="ts">
  import type { Schema } from '../../api/client';
  import { verdictColour } from '../marks/verdicts';

  /**
   * Whom a pot suits, in sentences: what does not first, all that suits in one line. `notes` adds
   * what a verdict cannot know.
   */
  let { suits, notes = false }: { suits: Schema['SuitsOut'][]; notes?: boolean } = $props();

  const told = $derived(suits.filter((entry) => entry.verdict !== 'suits'));
  const plain = $derived(suits.filter((entry) => entry.verdict === 'suits'));
  const traced = $derived(plain.filter((entry) => entry.traces.length > 0));
  const clear = $derived(plain.filter((entry) => !traced.includes(entry)));

  const limits = $derived.by(() => {
    const names = new Map<string, string[]>();
    for (const { name, note } of suits)
      if (note) names.set(note, [...(names.get(note) ?? []), name]);
    return [...names];
  });
</script>

<ul class="grid gap-1 leading-[1.3]">
  {#each [...told, ...traced] as entry (entry.diet)}
    <li class={verdictColour(entry.verdict)}>{entry.sentence}</li>
  {/each}
  {#if clear.length > 0}
    <li class="text-moss">Suits {clear.map((entry) => entry.name).join(', ')}.</li>
  {/if}
</ul>
{#if notes}
  {#each limits as [note, names] (note)}
    <p class="mt-2 text-base text-soft">{names.join(', ')}: {note}</p>
  {/each}
{/if}
