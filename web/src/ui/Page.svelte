<script lang="ts">
  import type { Snippet } from 'svelte';
  import Scroll from './Scroll.svelte';

  /** A page of a place: the ways to its neighbours, its name, what it is for, and its content. */
  let {
    title,
    told,
    nav,
    aside,
    children
  }: { title: string; told: string; nav?: Snippet; aside?: Snippet; children: Snippet } = $props();
</script>

<svelte:head><title>{title} · Yellow Ladle</title></svelte:head>

<div
  class="grid h-full grid-cols-[minmax(0,1fr)] grid-rows-[auto_minmax(0,1fr)] print:block print:h-auto"
>
  <div>{@render nav?.()}</div>
  <Scroll label={title} class="px-6 pt-4 pb-8 max-phone:px-3">
    <div
      class="flex flex-wrap items-end justify-between gap-4 border-b border-rule pb-3 print:hidden"
    >
      <div class="max-w-3xl">
        <h1 class="text-title">{title}</h1>
        <p class="text-soft">{told}</p>
      </div>
      {@render aside?.()}
    </div>
    {@render children()}
  </Scroll>
</div>
