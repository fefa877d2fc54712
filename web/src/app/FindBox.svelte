<script lang="ts">
  import { narrow } from '../ui/narrow';
  import FindList from './FindList.svelte';

  /**
   * The one find box. Its list is built when somebody comes to it: on a phone that would else take
   * as long as a column of the board.
   */
  let entered = $state(false);
  // A phone has no room for the whole sentence; the label says it.
  const placeholder = $derived(narrow.current ? 'Find' : 'Find a pot, jar or plate');
  const box = 'field pr-10 placeholder:text-soft max-[43.75rem]:pr-3';
</script>

<div class="relative">
  {#if entered}
    <FindList {placeholder} {box} />
  {:else}
    <input
      id="find"
      role="combobox"
      aria-expanded="false"
      aria-controls="find-list"
      aria-autocomplete="list"
      aria-label="Find a pot, jar or plate"
      class={box}
      autocomplete="off"
      {placeholder}
      onfocus={() => (entered = true)}
    />
    <div id="find-list" hidden></div>
  {/if}
  <kbd
    aria-hidden="true"
    class="amount pointer-events-none absolute top-[11px] right-3 max-[43.75rem]:hidden border border-edge px-1.5 text-base text-soft"
  >
    /
  </kbd>
</div>
