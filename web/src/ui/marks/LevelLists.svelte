<script lang="ts">
  import type { Level } from '../../api/client';
  import { byLevel, type Group } from './byLevel';
  import { levelWord, OWN_TOOLS } from '../../lib/levels';
  import PotMark from './PotMark.svelte';

  /** Flags under their level, told in a line each; many that nobody has checked only counted.
   *  `tools`: the flags that only own tools leave. `verbs`: for one, for several. */
  let {
    flags,
    tools = [],
    verbs = ['', '']
  }: { flags: Record<string, Level>; tools?: string[]; verbs?: [string, string] } = $props();

  const MAX_NAMED = 6;
  const told = ({ level, byTools, words }: Group) => {
    const many = words.length > MAX_NAMED;
    if (byTools) return `${many ? `${words.length} flags` : words.join(', ')} (${OWN_TOOLS})`;
    return level === 'unchecked' && many
      ? `${words.length} flags ${levelWord(level)}`
      : words.join(', ');
  };
</script>

{#each byLevel(flags, tools) as group (group.level + group.byTools)}
  <p class={['flex items-start gap-1.5', group.level === 'unchecked' && 'text-clay']}>
    <span class="mt-0.5"><PotMark level={group.level} /></span>
    {told(group)}
    {group.words.length === 1 ? verbs[0] : verbs[1]}
  </p>
{/each}
