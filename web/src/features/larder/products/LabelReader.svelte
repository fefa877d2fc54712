<script lang="ts">
  import { untrack } from 'svelte';
  import Field from '../../../ui/Field.svelte';
  import { languagesQuery } from '../../../api/queries';
  import Button from '../../../ui/Button.svelte';
  import ErrorText from '../../../ui/ErrorText.svelte';
  import type { LabelDraft } from './labelDraft.svelte';
  import { LabelReading } from './labelReading.svelte';
  import MarkedText from './MarkedText.svelte';
  import PhotoButton from '../../../ui/pictures/PhotoButton.svelte';
  import PhotoPart from '../../../ui/pictures/PhotoPart.svelte';
  import Proposals from './Proposals.svelte';

  /** The label's text, pasted or typed, and what its words propose. */
  let { label }: { label: LabelDraft } = $props();

  const reading = untrack(() => new LabelReading((text) => (label.text = text), label));
  const languages = languagesQuery();
  const stale = $derived(reading.read !== null && reading.text !== label.text);
</script>

<section aria-labelledby="label-text" class="mt-2">
  <div class="flex flex-wrap items-center justify-between gap-x-4 gap-y-1">
    <h2 id="label-text" class="text-lead">The label's words</h2>
    <div class="flex flex-wrap gap-2">
      <PhotoButton photo={reading.photo} label="Photograph of the label" choice />
    </div>
  </div>
  <div class="mt-1 flex items-end gap-3 max-phone:flex-col max-phone:items-stretch">
    <label class="block flex-1">
      <span class="sr-only">Text of the label</span>
      <textarea
        class="field min-h-20 py-2"
        rows="3"
        placeholder="Paste or type the ingredient list as it stands on the pack"
        bind:value={label.text}></textarea>
    </label>
    <div class="grid w-40 gap-2">
      <Field label="Language">
        <select class="field" bind:value={reading.language}>
          <option value="auto">detect it</option>
          {#each languages.data ?? [] as known (known.id)}
            <option value={known.id}>{known.name}</option>
          {/each}
        </select>
      </Field>
      <Button
        disabled={label.text.trim() === '' || reading.busy}
        onclick={() => reading.ask(label.text)}
      >
        Read it
      </Button>
    </div>
  </div>
  <ErrorText error={reading.error} />
  <PhotoPart photo={reading.photo} thing="jar" mark={reading.mark} />
  {#if reading.read}
    {#if stale}
      <p class="text-clay">The text was changed since it was read; read it again.</p>
    {/if}
    <MarkedText runs={reading.runs} />
    <Proposals {reading} {label} />
  {/if}
</section>
