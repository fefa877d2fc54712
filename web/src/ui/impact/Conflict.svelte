<script lang="ts">
  import type { Standing } from '../../api/client';
  import LevelLists from '../marks/LevelLists.svelte';

  /** What somebody else recorded in the meantime, so that both states are in sight. */
  let { standing }: { standing: Standing } = $props();

  const content = $derived(standing.content);
  const statements = $derived(content && 'statements' in content ? content.statements : {});
  const name = $derived(content && 'name' in content ? content.name : standing.id);
  const lines = $derived(content && 'lines' in content ? content.lines : []);
</script>

<div class="border-l-4 border-rule pl-3" data-theirs>
  {#if content}
    <p class="font-semibold">Now recorded: {name}</p>
    <LevelLists flags={statements} />
    {#if lines.length > 0}
      <p class="text-soft">
        {lines
          .map((line) => `${line.quantity} ${line.unit} ${standing.names[line.item] ?? line.item}`)
          .join(', ')}
      </p>
    {/if}
  {:else}
    <p class="font-semibold">It is no longer recorded.</p>
  {/if}
</div>
