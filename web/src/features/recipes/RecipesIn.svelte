<script lang="ts">
  import Button from '../../ui/Button.svelte';
  import FileButton from '../../ui/FileButton.svelte';
  import type { Recipes } from './recipes.svelte';

  /** Where recipes come in: pasted, dropped or chosen, one or a whole notebook. */
  let { recipes }: { recipes: Recipes } = $props();

  const FORMS = '.txt,.md,.html,.htm,.json,.jsonld,.docx,.odt,.pdf,.csv,.xlsx';
  const EXAMPLE = [
    'White roux',
    '100 g butter',
    '100 g flour',
    '',
    'Melt the butter, cook 3 minutes.'
  ].join('\n');
  let text = $state('');
  let over = $state(false);

  async function read() {
    if (await recipes.paste(text)) text = '';
  }

  function drop(event: DragEvent) {
    event.preventDefault();
    over = false;
    const files = event.dataTransfer?.files;
    if (files?.length) void recipes.read(files);
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
  <label class="block">
    <span class="text-soft">Paste one recipe or a whole notebook, as it is written</span>
    <textarea class="field mt-1 min-h-40" bind:value={text} placeholder={EXAMPLE}></textarea>
  </label>
  <div class="mt-2 flex flex-wrap items-center gap-3">
    <Button main disabled={text.trim() === '' || recipes.busy} onclick={read}>
      {recipes.busy ? 'Reading' : 'Read it'}
    </Button>
    <FileButton
      label="Recipe files"
      accept={FORMS}
      multiple
      disabled={recipes.busy}
      onfiles={(files) => void recipes.read(files)}>Choose files</FileButton
    >
    <span class="text-soft">or drop them here: text, Word, PDF, a saved page, a table</span>
  </div>
</div>
