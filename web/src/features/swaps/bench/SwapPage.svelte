<script lang="ts">
  import type { Snippet } from 'svelte';
  import Scroll from '../../../ui/Scroll.svelte';
  import { isActive, p } from '../../../app/routes';

  /** A page beside the swap bench: its name, what it is for, and the ways to the others. */
  let { title, told, children }: { title: string; told: string; children: Snippet } = $props();

  const pages = [
    ['/menu', 'The whole menu'],
    ['/applied', 'Applied plans'],
    ['/rules', 'Rules']
  ] as const;
</script>

<svelte:head><title>{title} · Yellow Ladle</title></svelte:head>

<div class="grid h-full grid-cols-[minmax(0,1fr)] grid-rows-[auto_minmax(0,1fr)]">
  <nav class="flex flex-wrap gap-x-5 border-b border-rule px-6 max-phone:px-3" aria-label="Swaps">
    {#each pages as [path, words] (path)}
      <a
        class={[
          'flex min-h-11 items-center border-b-3',
          isActive(path) ? 'border-ladle font-strong' : 'border-transparent'
        ]}
        aria-current={isActive(path) ? 'page' : undefined}
        href={p(path)}>{words}</a
      >
    {/each}
  </nav>
  <Scroll label={title} class="px-6 pt-4 pb-8 max-phone:px-3">
    <div class="max-w-3xl border-b border-rule pb-3">
      <h1 class="text-title">{title}</h1>
      <p class="text-soft">{told}</p>
    </div>
    {@render children()}
  </Scroll>
</div>
