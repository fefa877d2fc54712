<script lang="ts">
  import Act from '../parts/Act.svelte';
  import Say from '../parts/Say.svelte';
  import Trouble from '../parts/Trouble.svelte';
  import type { Recording } from './recording.svelte';
  import RippleView from './RippleView.svelte';
  import Theirs from './Theirs.svelte';

  /**
   * The foot of every form that changes the book: what it would do, then the act itself. `wants`
   * says what is still missing before it can be recorded.
   */
  let {
    recording,
    disabled = false,
    wants = '',
    hint = 'Nothing is changed yet.',
    overtakenAct = 'Record mine over it',
    onrecord
  }: {
    recording: Recording;
    disabled?: boolean;
    wants?: string;
    hint?: string;
    overtakenAct?: string;
    onrecord: () => void;
  } = $props();
</script>

<div class="grid gap-2">
  <Trouble error={recording.error} />
  {#if recording.overtaken}<Theirs standing={recording.overtaken} />{/if}
  {#if wants}
    <p class="text-clay">{wants}</p>
  {:else if recording.ripple}
    <RippleView ripple={recording.ripple} />
  {:else if !recording.error}
    <p class="text-soft">{hint}</p>
  {/if}
  <div class="flex items-center gap-4">
    <Act
      main
      disabled={disabled ||
        wants !== '' ||
        recording.busy ||
        (recording.ripple === null && !recording.overtaken)}
      onclick={onrecord}
    >
      {recording.overtaken ? overtakenAct : 'Record'}
    </Act>
    <Say />
  </div>
</div>
