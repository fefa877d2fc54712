<script lang="ts">
  import IconButton from '../ui/IconButton.svelte';
  import ArrowUp from '@lucide/svelte/icons/arrow-up';
  import { announcements } from '../api/announce.svelte';
  import { CRITERIA, type Criterion } from '../features/swaps/bench/criteria';

  /** What counts most between two plans of swaps, first to last. */
  let { order = $bindable() }: { order: Criterion[] } = $props();

  function raise(criterion: Criterion, at: number) {
    const rest = order.filter((other) => other !== criterion);
    order = [...rest.slice(0, at - 1), criterion, ...rest.slice(at - 1)];
    announcements.say(`${CRITERIA[criterion]} is number ${at}.`);
  }
</script>

<fieldset>
  <legend class="text-soft">What counts most between two swaps</legend>
  <p class="text-base text-soft">
    First of all it has to stay the same dish, be made of what is in the house, and of few pots.
  </p>
  <ol class="mt-1">
    {#each order as criterion, at (criterion)}
      <li class="flex min-h-11 items-center gap-3 border-b border-rule">
        <span class="amount w-5 text-soft">{at + 1}</span>
        <span class="flex-1">{CRITERIA[criterion]}</span>
        {#if at > 0}
          <IconButton label="{CRITERIA[criterion]}: one up" onclick={() => raise(criterion, at)}
            ><ArrowUp size={18} aria-hidden="true" /></IconButton
          >
        {/if}
      </li>
    {/each}
  </ol>
</fieldset>
