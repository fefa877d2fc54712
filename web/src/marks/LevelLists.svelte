<script lang="ts">
  import type { Level } from '../api/client';
  import { byLevel } from './byLevel';
  import { levelWord } from './levels';
  import PotMark from './PotMark.svelte';

  /** Flags under their level, told in a line each; many that nobody has checked only counted. `verbs`: for one, for several. */
  let { flags, verbs = ['', ''] }: { flags: Record<string, Level>; verbs?: [string, string] } =
    $props();

  const MANY = 6;
  const told = (level: Level, words: string[]) =>
    level === 'unchecked' && words.length > MANY
      ? `${words.length} flags ${levelWord(level)}`
      : words.join(', ');
</script>

{#each byLevel(flags) as [level, words] (level)}
  <p class={['flex items-start gap-1.5', level === 'unchecked' && 'text-clay']}>
    <span class="mt-0.5"><PotMark {level} small /></span>
    {told(level, words)}
    {words.length === 1 ? verbs[0] : verbs[1]}
  </p>
{/each}
