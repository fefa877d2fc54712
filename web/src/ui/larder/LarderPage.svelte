<script lang="ts">
  import type { Snippet } from 'svelte';
  import Page from '../Page.svelte';
  import LarderNav from './LarderNav.svelte';

  /** A page of the larder: its name, what it is for, and its content. */
  let {
    title,
    told,
    aside,
    children
  }: { title: string; told: string; aside?: Snippet; children: Snippet } = $props();
</script>

<Page {title} {told} {aside} {children}>
  {#snippet nav()}<LarderNav />{/snippet}
</Page>
