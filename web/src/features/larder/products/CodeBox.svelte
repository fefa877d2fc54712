<script lang="ts">
  import { answer, api, fileBody, type Schema } from '../../../api/client';
  import { announcements } from '../../../api/announce.svelte';
  import { navigate, p } from '../../../app/routes';
  import { smaller } from '../../../ui/pictures/smaller';
  import ErrorText from '../../../ui/ErrorText.svelte';
  import FileButton from '../../../ui/FileButton.svelte';

  /**
   * A bar code opens its jar: typed, written by a scanner that ends with Enter, or photographed. An
   * unknown one begins a new jar.
   */
  const id = $props.id();
  let text = $state('');
  let error = $state<unknown>(null);
  /** An unknown code that may be misread: it begins a jar only once somebody says so. */
  let doubtful = $state.raw<Schema['ScannedOut'] | null>(null);

  async function take(look: () => Promise<Schema['ScannedOut'] | undefined>) {
    error = null;
    doubtful = null;
    try {
      const found = await look();
      if (!found) return;
      if (found.doubt) {
        text = found.code;
        doubtful = found;
        return;
      }
      text = '';
      const told = [
        found.lot && `lot ${found.lot}`,
        found.use_by && `use by ${found.use_by}`,
        found.weight_kg && `${found.weight_kg} kg`
      ].filter(Boolean);
      if (told.length > 0) announcements.say(`The code says: ${told.join(', ')}.`);
      if (found.product)
        await navigate('/larder/:id', { params: { id: found.product.id }, search: {} });
      else await begin(found.code);
    } catch (refused) {
      error = refused;
    }
  }

  const begin = (code: string) =>
    navigate('/larder/:id', { params: { id: 'new' }, search: { code } });

  const typed = () =>
    take(() => answer(api.GET('/api/v1/scan', { params: { query: { text: text.trim() } } })));

  const photographed = (file: File) =>
    take(
      async () => (await answer(api.POST('/api/v1/scan/picture', fileBody(await smaller(file)))))[0]
    );
</script>

<form
  class="mt-2 flex items-end gap-2"
  onsubmit={(event) => {
    event.preventDefault();
    if (text.trim()) void typed();
  }}
>
  <div class="min-w-0 flex-1">
    <label class="text-soft" for="code-{id}">Bar code</label>
    <input
      id="code-{id}"
      class="field amount"
      maxlength="200"
      autocomplete="off"
      bind:value={text}
    />
  </div>
  <FileButton
    label="Photograph of a bar code"
    accept="image/png,image/jpeg,image/webp"
    camera
    onfiles={([file]) => file && void photographed(file)}>Photo</FileButton
  >
</form>
<ErrorText {error} />
{#if doubtful}
  <p class="text-clay" role="alert" data-doubtful-code>
    {doubtful.doubt} No jar has it. Type it again, or
    {#if /^\d{4,14}$/.test(doubtful.code)}
      <button
        type="button"
        class="min-h-11 underline underline-offset-4"
        onclick={() => begin(doubtful?.code ?? '')}>begin a new jar with it all the same</button
      >.
    {:else}
      <a
        class="inline-flex min-h-11 items-center underline underline-offset-4"
        href={p('/larder/:id', { params: { id: 'new' } })}>begin a jar without a code</a
      >.
    {/if}
  </p>
{/if}
