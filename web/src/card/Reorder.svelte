<script lang="ts" generics="Entry">
  import type { Snippet } from 'svelte';
  import { announcements } from '../frame/announce.svelte';

  /** A list whose entries are moved by dragging or with the arrow keys on their handles. */
  let {
    entries,
    what,
    move,
    entry
  }: {
    entries: Entry[];
    what: string;
    move: (from: number, to: number) => boolean;
    entry: Snippet<[Entry, number, (by: number) => void, (dragging: boolean) => void]>;
  } = $props();

  let list = $state<HTMLOListElement>();
  let dragged = $state<number | null>(null);
  let over = $state<number | null>(null);

  function step(index: number, by: number) {
    if (!move(index, index + by)) return;
    announcements.say(`${what} ${index + 1} is now ${what.toLowerCase()} ${index + by + 1}.`);
    requestAnimationFrame(() => {
      list?.querySelectorAll<HTMLElement>('[data-mover]')[index + by]?.focus();
    });
  }

  function drop(index: number) {
    if (dragged !== null && move(dragged, index))
      announcements.say(`${what} ${dragged + 1} is now ${what.toLowerCase()} ${index + 1}.`);
    dragged = over = null;
  }
</script>

<ol bind:this={list} class="grid gap-2">
  {#each entries as each, index (each)}
    <li
      class={[
        'border-t-2',
        over === index && dragged !== null ? 'border-ladle' : 'border-transparent'
      ]}
      ondragover={(event) => {
        if (dragged === null) return;
        event.preventDefault();
        over = index;
      }}
      ondrop={(event) => {
        event.preventDefault();
        drop(index);
      }}
    >
      {@render entry(
        each,
        index,
        (by) => step(index, by),
        (dragging) => (dragged = dragging ? index : null)
      )}
    </li>
  {/each}
</ol>
