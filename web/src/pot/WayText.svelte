<script lang="ts">
  import type { Schema } from '../api/client';
  import { levelWord } from '../marks/levels';

  let { way }: { way: Schema['WayOut'] } = $props();
  const own = $derived(way.names[0] === 'here' ? 'stated here' : `${way.names[0]}, as stated`);
  const told = $derived(way.own ? [own, ...way.names.slice(1)] : way.names);
</script>

<p>
  {#each told as name, index (index)}
    {#if index > 0}<span aria-label="goes into">→</span>&nbsp;{/if}<span>{name}</span>
    {#if index === 0 && way.strained_out}<span>(strained out)</span>
    {/if}
  {/each}
  {#if way.level === 'may_contain'}<span>({levelWord(way.level)})</span>{/if}
</p>
