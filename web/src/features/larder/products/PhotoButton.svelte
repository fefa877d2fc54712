<script lang="ts">
  import { pictureReaderQuery } from '../../../api/queries';
  import Button from '../../../ui/Button.svelte';
  import type { LabelDraft } from './labelDraft.svelte';
  import type { LabelReading } from './labelReading.svelte';

  /** A photograph of the label, taken with the phone or chosen; its words go into the box. */
  let { reading, label }: { reading: LabelReading; label: LabelDraft } = $props();

  const reader = pictureReaderQuery();
  let chooser = $state<HTMLInputElement>();
</script>

<Button disabled={reading.busy || reader.data?.ready !== true} onclick={() => chooser?.click()}
  >Photograph it</Button
>
{#if reader.data?.missing}<p class="text-soft">{reader.data.missing}</p>{/if}
<input
  bind:this={chooser}
  type="file"
  class="sr-only"
  tabindex="-1"
  aria-label="Photograph of the label"
  accept="image/png,image/jpeg,image/webp"
  capture="environment"
  onchange={(event) => {
    const file = event.currentTarget.files?.[0];
    event.currentTarget.value = '';
    if (file) void reading.photograph(file, label);
  }}
/>
