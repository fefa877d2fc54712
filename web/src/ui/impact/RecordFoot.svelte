<script lang="ts">
  import Button from '../Button.svelte';
  import Disclaimer from '../Disclaimer.svelte';
  import ErrorText from '../ErrorText.svelte';
  import type { Recording } from './recording.svelte';
  import ImpactView from './ImpactView.svelte';
  import Conflict from './Conflict.svelte';

  /**
   * The foot of every form that changes the book: what it would do, then the act itself. `wants`
   * says what is still missing before it can be recorded.
   */
  let {
    recording,
    disabled = false,
    wants = '',
    hint = 'Nothing is changed yet.',
    folded = false,
    overtakenAct = 'Record mine over theirs',
    act = 'Record',
    onmerge,
    onrecord
  }: {
    recording: Recording;
    disabled?: boolean;
    wants?: string;
    hint?: string;
    /** Whether what it would do is folded away until somebody asks. */
    folded?: boolean;
    overtakenAct?: string;
    /** What the button says. */
    act?: string;
    /** Puts what somebody else recorded together with this: then that is the main action. */
    onmerge?: () => void;
    onrecord: () => void;
  } = $props();
</script>

<div class="grid gap-2">
  <ErrorText error={recording.error} />
  {#if recording.overtaken}<Conflict standing={recording.overtaken} />{/if}
  {#if wants}
    <p class="text-clay">{wants}</p>
  {:else if recording.impact && folded}
    <details class="max-h-64 overflow-y-auto">
      <summary class="min-h-11 cursor-pointer py-2 font-semibold" data-impact>
        {recording.impact.sentence}
      </summary>
      <ImpactView impact={recording.impact} told />
    </details>
  {:else if recording.impact}
    <ImpactView impact={recording.impact} />
  {:else if !recording.error}
    <p class="text-soft">{hint}</p>
  {/if}
  <div class="flex flex-wrap items-center gap-4 max-phone:flex-nowrap">
    {#if onmerge}<Button main onclick={onmerge}>Merge both versions</Button>{/if}
    <Button
      main={!onmerge}
      disabled={disabled ||
        wants !== '' ||
        recording.busy ||
        (recording.impact === null && !recording.overtaken)}
      onclick={onrecord}
    >
      {recording.overtaken ? overtakenAct : act}
    </Button>
    <Disclaimer />
  </div>
</div>
