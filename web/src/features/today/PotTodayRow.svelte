<script lang="ts">
  import type { Snippet } from 'svelte';
  import type { Schema } from '../../api/client';
  import { p } from '../../app/routes';
  import Button from '../../ui/Button.svelte';

  /** A pot of today: its batches, and one tap that records it as its card says. */
  let {
    pot,
    chosen,
    onchoose,
    onmade,
    children
  }: {
    pot: Schema['PotTodayOut'];
    chosen: boolean;
    onchoose: () => void;
    onmade: () => void;
    /** What is shown beneath it, where it is open and there is no room beside. */
    children?: Snippet;
  } = $props();
</script>

<li
  class={[
    'grid grid-cols-[minmax(0,1fr)_auto] gap-3 border-b border-rule py-2 pl-3',
    chosen && 'bg-ladle-pale'
  ]}
  data-pot={pot.id}
>
  <div>
    <button
      type="button"
      class="min-h-11 text-left font-name text-lead font-semibold hover:underline"
      aria-expanded={chosen}
      onclick={onchoose}>{pot.name}</button
    >
    <p class="text-soft">
      {pot.section ? `${pot.section} · ` : ''}{pot.kind}{pot.usual > 0
        ? ' · made on this weekday lately'
        : ''}
    </p>
    {#each pot.batches as batch (batch.id)}
      <p>
        <a class="underline" href={p('/batches/:id', { params: { id: batch.id } })}
          >made {batch.made.slice(11, 16)}{batch.by ? `, ${batch.by}` : ''}</a
        >
        {#if batch.more.length > 0}
          <span class="text-clay">also {batch.more.join(', ').toLowerCase()}</span>
        {/if}
        {#if batch.less.length > 0}
          <span class="text-soft">no {batch.less.join(', ').toLowerCase()}</span>
        {/if}
      </p>
    {/each}
  </div>
  <div class="flex items-start gap-2 pr-2">
    <Button onclick={onmade}>Made it<span class="sr-only">: {pot.name}</span></Button>
  </div>
  {#if chosen && children}<div class="col-span-2 -ml-3 bg-ground px-3 pb-3">
      {@render children()}
    </div>{/if}
</li>
