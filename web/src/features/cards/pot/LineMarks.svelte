<script lang="ts">
  import type { Level } from '../../../api/client';
  import PotMark from '../../../ui/marks/PotMark.svelte';

  /** The levels that a line's item brings, each once. */
  let { flags }: { flags: Record<string, Level> } = $props();

  const ORDER: Level[] = ['contains', 'may_contain', 'unchecked'];
  const levels = $derived(Object.values(flags));
  const marks = $derived(ORDER.filter((level) => levels.includes(level)));
</script>

<span class="flex gap-px self-center">
  {#each marks as level (level)}<PotMark {level} />{:else}<PotMark level="free" />{/each}
</span>
