<script lang="ts">
  import type { Snippet } from 'svelte';

  /** A part of the screen that scrolls by itself, so that the keyboard can reach and scroll it. */
  let { label, children, ...rest }: { label: string; children: Snippet; class?: string } = $props();
</script>

<!-- svelte-ignore a11y_no_noninteractive_tabindex -->
<div
  role="region"
  aria-label={label}
  tabindex="0"
  class={['relative overflow-y-auto print:overflow-visible', rest.class]}
>
  {@render children()}
</div>
