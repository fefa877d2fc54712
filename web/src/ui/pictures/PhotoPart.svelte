<script lang="ts">
  import type { Level } from '../../api/client';
  import Button from '../Button.svelte';
  import ErrorText from '../ErrorText.svelte';
  import Compared from './Compared.svelte';
  import PhotoFrame from './PhotoFrame.svelte';
  import PhotoWords from './PhotoWords.svelte';
  import type { Photograph } from './photograph.svelte';

  /** A photograph in hand: its words marked in it, or its frame where it has to be cut. */
  let {
    photo,
    thing,
    mark
  }: {
    photo: Photograph;
    thing: string;
    mark: (start: number, end: number) => { level: Level | null; doubtful: boolean };
  } = $props();
</script>

<ErrorText error={photo.error} />
{#if photo.file}
  {#if photo.framing || !photo.found}
    <PhotoFrame {photo} />
  {:else}
    <PhotoWords found={photo.found} {mark} />
    <div class="mt-2"><Button onclick={() => (photo.framing = true)}>Turn or cut it</Button></div>
  {/if}
  {#if photo.used}<Compared {photo} {thing} />{/if}
{/if}
