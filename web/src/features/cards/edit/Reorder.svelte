<script lang="ts" generics="Entry">
  import type { Snippet } from 'svelte';
  import { announcements } from '../../../api/announce.svelte';
  import type { Dragging } from './dragging';

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
    entry: Snippet<[Entry, number, (by: number) => void, Dragging]>;
  } = $props();

  let list = $state<HTMLOListElement>();
  let dragged = $state<number | null>(null);
  let over = $state<number | null>(null);

  function say(from: number, to: number) {
    announcements.say(`${what} ${from + 1} is now ${what.toLowerCase()} ${to + 1}.`);
  }

  function step(index: number, by: number) {
    if (!move(index, index + by)) return;
    say(index, index + by);
    requestAnimationFrame(() => {
      list?.querySelectorAll<HTMLElement>('[data-mover]')[index + by]?.focus();
    });
  }

  /** The handle keeps the pointer, so that the list hears of it wherever it goes. */
  function draggingOf(index: number): Dragging {
    return {
      begin(event) {
        (event.currentTarget as HTMLElement).setPointerCapture(event.pointerId);
        dragged = over = index;
      },
      track(event) {
        if (dragged === null) return;
        const under = document.elementFromPoint(event.clientX, event.clientY);
        const at = under?.closest<HTMLElement>('[data-entry]');
        if (at && list?.contains(at)) over = Number(at.dataset.entry);
      },
      drop() {
        const [from, to] = [dragged, over];
        dragged = over = null;
        if (from !== null && to !== null && move(from, to)) say(from, to);
      }
    };
  }
</script>

<ol bind:this={list} class="grid gap-2">
  {#each entries as each, index (each)}
    <li
      data-entry={index}
      class={[
        'border-t-2',
        over === index && dragged !== null && dragged !== index
          ? 'border-ladle'
          : 'border-transparent',
        dragged === index && 'bg-ladle-pale'
      ]}
    >
      {@render entry(each, index, (by) => step(index, by), draggingOf(index))}
    </li>
  {/each}
</ol>
