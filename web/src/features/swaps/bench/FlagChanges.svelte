<script lang="ts">
  import type { Level } from '../../../api/client';
  import LevelLists from '../../../ui/marks/LevelLists.svelte';
  import { asWords, flagWord, levelWord } from '../../../lib/levels';
  import PotMark from '../../../ui/marks/PotMark.svelte';
  import type { Plan } from './bench.svelte';

  /** The flags that a plan brings in, the ones that go, and what stays. New ones stand first. */
  let { plan, now }: { plan: Plan; now: Record<string, Level> } = $props();

  const after = $derived(plan.flags_after);
  const level = (flag: string): Level => after[flag] ?? 'contains';
  const gone = $derived(plan.clears.filter((flag) => now[flag.id] !== 'unchecked'));
  const settled = $derived(plan.clears.length - gone.length);
  const stays = $derived(
    Object.fromEntries(
      Object.entries(after).filter(([flag]) => !plan.adds.some((added) => added.id === flag))
    )
  );
</script>

{#each plan.adds as flag (flag.id)}
  <p class="flex items-center gap-1.5 font-strong text-brick">
    <PotMark level={level(flag.id)} brick />
    brings {flagWord(flag.id, plan.tool_traces_after)}{level(flag.id) === 'contains'
      ? ''
      : `, ${levelWord(level(flag.id))}`}
  </p>
{/each}
{#if gone.length > 0}
  <p class="flex items-start gap-1.5 text-moss">
    <span class="mt-0.5"><PotMark level="free" decorative /></span>
    {gone.map((flag) => asWords(flag.id)).join(', ')} gone
  </p>
{/if}
{#if settled > 0}
  <p class="flex items-start gap-1.5 text-moss">
    <span class="mt-0.5"><PotMark level="free" decorative /></span>
    {settled} not checked, no longer in it
  </p>
{/if}
<div class="text-soft">
  <LevelLists flags={stays} tools={plan.tool_traces_after} verbs={['stays', 'stay']} />
</div>
