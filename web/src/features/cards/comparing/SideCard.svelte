<script lang="ts">
  import type { Schema } from '../../../api/client';
  import { amountText } from '../../../lib/lines';
  import Method from '../pot/Method.svelte';

  /** One side of a comparison, in full. */
  let { side }: { side: Schema['SideOut'] } = $props();

  const made = $derived(side.preparation);
</script>

<ul class="mt-2">
  {#each made.lines ?? [] as line, index (index)}
    <li class="grid grid-cols-[96px_minmax(0,1fr)] border-b border-rule py-1">
      <span class="amount pr-3 text-right">
        {line.typed || amountText(line.quantity, line.unit)}
      </span>
      {side.names[line.item] ?? line.item}
    </li>
  {/each}
</ul>
<Method method={made.method ?? []} names={side.names} />
