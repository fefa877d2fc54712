<script lang="ts">
  import type { Schema } from '../../../api/client';

  /** What the arithmetic wants to know, and what breaks the colour family: told, never in the way. */
  let { figures }: { figures: Schema['FiguresOut'] } = $props();
</script>

{#if figures.clashes.length + figures.asked.length > 0}
  <ul class="mt-3 grid gap-1 border-t border-rule pt-2 text-base" data-quiet>
    {#each figures.clashes as clash (clash.sentence)}
      <li>{clash.sentence}</li>
    {/each}
    {#each figures.asked as asked (asked.line)}
      <li class="text-clay">{asked.sentence}</li>
    {/each}
  </ul>
{/if}
