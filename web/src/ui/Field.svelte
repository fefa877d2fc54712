<script lang="ts">
  import type { Snippet } from 'svelte';
  import type { ClassValue } from 'svelte/elements';

  /** A labelled part of a form: its words above, the control that they belong to below. */
  let {
    label,
    class: place = '',
    children
  }: { label: string; class?: ClassValue; children: Snippet } = $props();
</script>

<label class={['block', place]}>
  <span class="text-soft">{label}</span>
  {@render children()}
</label>
