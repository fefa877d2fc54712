<script lang="ts">
  import { pictureReaderQuery } from '../../../api/queries';
  import FileButton from '../../../ui/FileButton.svelte';
  import type { LabelDraft } from './labelDraft.svelte';
  import type { LabelReading } from './labelReading.svelte';

  /** A photograph of the label, taken with the phone or chosen; its words go into the box. */
  let { reading, label }: { reading: LabelReading; label: LabelDraft } = $props();

  const reader = pictureReaderQuery();
</script>

<FileButton
  label="Photograph of the label"
  accept="image/png,image/jpeg,image/webp"
  camera
  disabled={reading.busy || reader.data?.ready !== true}
  onfiles={([file]) => file && void reading.photograph(file, label)}>Photograph it</FileButton
>
{#if reader.data?.missing}<p class="text-soft">{reader.data.missing}</p>{/if}
