<script lang="ts">
  import type { Snippet } from 'svelte';
  import Scroll from '../../../ui/Scroll.svelte';
  import LarderNav from './LarderNav.svelte';

  /** A page of the larder: its name, what it is for, and its content. */
  let {
    title,
    told,
    aside,
    children
  }: { title: string; told: string; aside?: Snippet; children: Snippet } = $props();
</script>

<svelte:head><title>{title} · Yellow Ladle</title></svelte:head>

<div class="grid h-full grid-rows-[auto_minmax(0,1fr)]">
  <LarderNav />
  <Scroll label={title} class="px-6 pt-4 pb-8 max-[43.75rem]:px-3">
    <div class="flex flex-wrap items-end justify-between gap-4 border-b border-rule pb-3">
      <div class="max-w-3xl">
        <h1 class="text-title">{title}</h1>
        <p class="text-soft">{told}</p>
      </div>
      {@render aside?.()}
    </div>
    {@render children()}
  </Scroll>
</div>
