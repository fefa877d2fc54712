<script lang="ts">
  import type { Problem } from '../../../api/client';
  import { Refused, type Schema } from '../../../api/client';
  import { afterRecording } from '../../../api/queries';
  import Button from '../../../ui/Button.svelte';
  import ErrorText from '../../../ui/ErrorText.svelte';

  /** The photograph of the label. */
  let { known }: { known: Schema['ProductOut'] } = $props();

  let error = $state<unknown>(null);
  let busy = $state(false);
  let round = $state(0);
  const place = $derived(`/api/v1/products/${known.product.id}/photo`);

  async function send(method: 'PUT' | 'DELETE', body?: Blob) {
    busy = true;
    error = null;
    try {
      const answer = await fetch(place, { method, body });
      if (!answer.ok) throw new Refused((await answer.json()) as Problem);
      round += 1;
      await afterRecording();
    } catch (refusal) {
      error = refusal;
    } finally {
      busy = false;
    }
  }
</script>

<h2 class="mt-3 text-[18px]">Photograph of the label</h2>
<p class="text-soft">PNG, JPEG or WebP up to 10 MB. It is kept beside the book, made smaller.</p>
<div class="mt-2 flex flex-wrap items-center gap-3">
  <label
    class="inline-flex min-h-11 cursor-pointer items-center border-[1.5px] border-ink bg-sheet px-4 font-semibold focus-within:outline-3 focus-within:outline-enamel hover:bg-ladle-pale"
  >
    {known.has_photo ? 'Take another picture' : 'Choose a picture'}
    <input
      type="file"
      class="sr-only"
      accept="image/png,image/jpeg,image/webp"
      disabled={busy}
      onchange={(event) => {
        const [file] = event.currentTarget.files ?? [];
        if (file) void send('PUT', file);
        event.currentTarget.value = '';
      }}
    />
  </label>
  {#if known.has_photo}<Button disabled={busy} onclick={() => send('DELETE')}>Take it away</Button
    >{/if}
</div>
<ErrorText {error} />
{#if known.has_photo}
  <img
    class="mt-3 max-h-[420px] border border-rule"
    src="{place}?round={round}"
    alt="The label of {known.product.name}"
  />
{/if}
