<script lang="ts">
  import Button from '../../ui/Button.svelte';
  import FileButton from '../../ui/FileButton.svelte';
  import { KeptDraft } from '../../lib/keptDraft';
  import { answer, api, fileBody } from '../../api/client';
  import PhotoButton from '../../ui/pictures/PhotoButton.svelte';
  import PhotoPart from '../../ui/pictures/PhotoPart.svelte';
  import { Photograph } from '../../ui/pictures/photograph.svelte';
  import type { Recipes } from './recipes.svelte';

  /** Where recipes come in: pasted, dropped or chosen, one or a whole notebook. */
  let { recipes }: { recipes: Recipes } = $props();

  const FORMS =
    '.png,.jpg,.jpeg,.webp,.txt,.md,.html,.htm,.json,.jsonld,.docx,.odt,.pdf,.csv,.xlsx';
  const EXAMPLE = [
    'White roux',
    '100 g butter',
    '100 g flour',
    '',
    'Melt the butter, cook 3 minutes.'
  ].join('\n');
  const kept = new KeptDraft<string>('pasted', '');
  let text = $state(kept.read() ?? '');
  $effect(() => (text === '' ? kept.forget() : kept.keep(text)));
  let over = $state(false);

  const photo = new Photograph(
    (file, frame) =>
      answer(api.POST('/api/v1/recipes/picture', { params: { query: frame }, ...fileBody(file) })),
    (found) => (text = found.text)
  );
  const words = $derived(photo.found?.text === text ? photo.found.uncertain : []);
  const mark = (start: number, end: number) => ({
    level: null,
    doubtful: words.some((word) => word.start < end && start < word.end)
  });

  /** Pictures are read and compared first; all else goes to the review at once. */
  function take(files: File[]) {
    const pictures = files.filter((file) => file.type.startsWith('image/'));
    const others = files.filter((file) => !pictures.includes(file));
    if (others.length > 0) void recipes.read(others);
    if (pictures[0]) void photo.take(pictures[0]);
  }

  async function read() {
    if (await recipes.paste(text)) {
      text = '';
      // At once: this box makes room for what was read before an effect runs.
      kept.forget();
      photo.done();
    }
  }

  function drop(event: DragEvent) {
    event.preventDefault();
    over = false;
    take([...(event.dataTransfer?.files ?? [])]);
  }
</script>

<div
  class={['mt-3 border-2 border-dashed p-3', over ? 'border-ladle' : 'border-rule']}
  role="group"
  aria-label="Recipes to be read"
  ondragover={(event) => {
    event.preventDefault();
    over = true;
  }}
  ondragleave={() => (over = false)}
  ondrop={drop}
>
  <div class={['grid gap-x-5', photo.file && 'desk:grid-cols-2']}>
    <label class="flex flex-col">
      <span class="text-soft">Paste one recipe or a whole notebook, as it is written</span>
      <textarea class="field mt-1 min-h-40 flex-1" bind:value={text} placeholder={EXAMPLE}
      ></textarea>
    </label>
    <div><PhotoPart {photo} thing="page" {mark} /></div>
  </div>
  <div class="mt-2 flex flex-wrap items-center gap-3">
    <Button main disabled={text.trim() === '' || recipes.busy || !photo.settled} onclick={read}>
      {recipes.busy ? 'Reading' : 'Read it'}
    </Button>
    <FileButton label="Recipe files" accept={FORMS} multiple disabled={recipes.busy} onfiles={take}
      >Choose files</FileButton
    >
    <PhotoButton {photo} label="Photograph of a recipe" />
    <span class="text-soft"
      >or drop them here: text, Word, PDF, a saved page, a table, a photograph</span
    >
  </div>
</div>
