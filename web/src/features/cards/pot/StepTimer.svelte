<script lang="ts">
  import { onDestroy, untrack } from 'svelte';
  import { minutesText } from '../../../lib/spoon';
  import { Timer } from './timers.svelte';

  /** Runs one step's time down. */
  let { minutes, what, number }: { minutes: number; what: string; number: number } = $props();

  const timer = untrack(() => new Timer(minutes, what));
  const begun = $derived(timer.running || timer.left < minutes * 60);
  onDestroy(() => timer.hold());
</script>

<span class="inline-flex items-center gap-2">
  <button
    type="button"
    class={[
      'amount my-1 min-h-11 border px-2.5',
      timer.running ? 'border-ladle bg-ladle-pale' : 'border-edge bg-sheet hover:bg-ladle-pale'
    ]}
    aria-label="{timer.running ? 'Pause' : 'Start'} the timer of step {number}, {minutesText(
      minutes
    )}"
    onclick={() => (timer.running ? timer.hold() : timer.start())}
  >
    {begun ? timer.shown : minutesText(minutes)}
  </button>
  {#if begun && !timer.running}
    <button type="button" class="min-h-11 underline" onclick={() => timer.again()}>again</button>
  {/if}
</span>
