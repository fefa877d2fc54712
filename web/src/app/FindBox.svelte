<script lang="ts">
  import type { ComponentProps } from 'svelte';
  import { Late } from '../ui/late.svelte';
  import { narrow } from '../ui/narrow';
  import PlainBox from '../ui/PlainBox.svelte';
  import type FindList from './FindList.svelte';

  /** The one find box. */
  const list = new Late<ComponentProps<typeof FindList>>(() => import('./FindList.svelte'));
  const List = $derived(list.component);
  let typed = $state('');
  // A phone has no room for the whole sentence; the label says it.
  const placeholder = $derived(narrow.current ? 'Find' : 'Find a pot, jar or plate');
  const box = 'field pr-10 placeholder:text-soft max-phone:pr-3';
</script>

<div class="relative">
  {#if List}
    <List {placeholder} {box} {typed} />
  {:else}
    <PlainBox
      id="find"
      label="Find a pot, jar or plate"
      class={box}
      {placeholder}
      bind:words={typed}
      onenter={() => void list.want()}
    />
  {/if}
  <kbd
    aria-hidden="true"
    class="amount pointer-events-none absolute top-[11px] right-3 max-phone:hidden border border-edge px-1.5 text-base text-soft"
  >
    /
  </kbd>
</div>
