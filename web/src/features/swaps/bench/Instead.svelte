<script lang="ts">
  import type { Schema } from '../../../api/client';
  import { p } from '../../../app/routes';

  /** What the kitchen makes already that suits as it is: nothing new is cooked for it. */
  let { instead }: { instead: Schema['Named'][] } = $props();
</script>

<p class="mt-3" data-instead>
  <span class="font-strong">Suits as it is:</span>
  {#each instead as pot, index (pot.id)}{index > 0 ? ', ' : ' '}<a
      class="underline underline-offset-4"
      href={p('/pots/:id', { params: { id: pot.id } })}>{pot.name}</a
    >{/each}
</p>
