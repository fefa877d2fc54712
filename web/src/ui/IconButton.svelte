<script lang="ts">
  import type { Snippet } from 'svelte';
  import type { HTMLButtonAttributes } from 'svelte/elements';

  /** Something to do that a small drawing tells; `label` says it in words. */
  let {
    label,
    children,
    ...rest
  }: Omit<HTMLButtonAttributes, 'type' | 'class'> & { label: string; children: Snippet } = $props();
</script>

<button
  type="button"
  class="grid size-11 flex-none place-items-center hover:bg-ladle-pale"
  aria-label={label}
  {...rest}
>
  {@render children()}
</button>
