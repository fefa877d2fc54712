<script lang="ts">
  import type { Snippet } from 'svelte';
  import type { HTMLInputAttributes } from 'svelte/elements';

  /** A box to tick, with its words beside it; all of it can be touched. */
  let {
    checked = $bindable(),
    children,
    class: place = '',
    ...rest
  }: HTMLInputAttributes & { children: Snippet } = $props();
</script>

<label class={['flex min-h-11 items-center gap-2', place]}>
  <input type="checkbox" class="size-5 flex-none" bind:checked {...rest} />
  {@render children()}
</label>
