<script lang="ts">
  import { answer, api, fileBody, type Schema } from '../../../api/client';
  import { Write } from '../../../api/write.svelte';
  import Button from '../../../ui/Button.svelte';
  import FileButton from '../../../ui/FileButton.svelte';
  import { smaller } from '../../../ui/pictures/smaller';
  import ErrorText from '../../../ui/ErrorText.svelte';

  /** The photograph of the label. */
  let { known }: { known: Schema['ProductOut'] } = $props();

  let round = $state(0);
  const place = $derived(`/api/v1/products/${known.product.id}/photo`);

  const keeping = new Write(
    async (file: File | null) => {
      const params = { path: { id: known.product.id } };
      const address = '/api/v1/products/{id}/photo';
      if (file) await answer(api.PUT(address, { params, ...fileBody(await smaller(file)) }));
      else await answer(api.DELETE(address, { params }));
      round += 1;
    },
    { reaches: 'photo' }
  );
</script>

<h2 class="mt-3 text-lead">Photograph of the label</h2>
<p class="text-soft">PNG, JPEG or WebP. It is made smaller here, and kept beside the book.</p>
<div class="mt-2 flex flex-wrap items-center gap-3">
  <FileButton
    label="Picture of the label"
    accept="image/png,image/jpeg,image/webp"
    disabled={keeping.busy}
    onfiles={([file]) => file && void keeping.send(file)}
    >{known.has_photo ? 'Take another picture' : 'Choose a picture'}</FileButton
  >
  {#if known.has_photo}<Button disabled={keeping.busy} onclick={() => keeping.send(null)}
      >Remove it</Button
    >{/if}
</div>
<ErrorText error={keeping.error} />
{#if known.has_photo}
  <img
    class="mt-3 max-h-[420px] border border-rule"
    src="{place}?round={round}"
    alt="The label of {known.product.name}"
  />
{/if}
