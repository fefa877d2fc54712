<script lang="ts">
  import { pictureReaderQuery } from '../../api/queries';
  import FileButton from '../FileButton.svelte';
  import { narrow } from '../narrow';
  import type { Photograph } from './photograph.svelte';

  /** A photograph, taken with the phone or chosen, whose words are read. */
  let {
    photo,
    label,
    choice = false
  }: {
    photo: Photograph;
    label: string;
    /** Whether one that was taken before can be chosen here too. */
    choice?: boolean;
  } = $props();

  const KINDS = 'image/png,image/jpeg,image/webp';

  const reader = pictureReaderQuery();
</script>

<FileButton
  {label}
  accept={KINDS}
  camera
  disabled={photo.busy || reader.data?.ready !== true}
  onfiles={([file]) => file && void photo.take(file)}
  >{photo.busy ? 'Reading' : photo.file ? 'Another picture' : 'Photograph it'}</FileButton
>
{#if choice && narrow.current}
  <FileButton
    label="{label}, one that there is"
    accept={KINDS}
    disabled={photo.busy || reader.data?.ready !== true}
    onfiles={([file]) => file && void photo.take(file)}>Choose one</FileButton
  >
{/if}
{#if reader.data?.missing}<p class="text-soft">{reader.data.missing}</p>{/if}
