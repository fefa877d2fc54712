<script lang="ts">
  import { pictureReaderQuery } from '../../api/queries';
  import FileButton from '../../ui/FileButton.svelte';
  import type { Photograph } from './photograph.svelte';

  /** A photograph, taken with the phone or chosen, whose words are read. */
  let { photo, label }: { photo: Photograph; label: string } = $props();

  const reader = pictureReaderQuery();
</script>

<FileButton
  {label}
  accept="image/png,image/jpeg,image/webp"
  camera
  disabled={photo.busy || reader.data?.ready !== true}
  onfiles={([file]) => file && void photo.take(file)}
  >{photo.busy ? 'Reading' : photo.file ? 'Another picture' : 'Photograph it'}</FileButton
>
{#if reader.data?.missing}<p class="text-soft">{reader.data.missing}</p>{/if}
