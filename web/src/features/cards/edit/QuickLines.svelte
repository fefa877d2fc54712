<script lang="ts">
  import { answer, api, fileBody } from '../../../api/client';
  import Button from '../../../ui/Button.svelte';
  import ErrorText from '../../../ui/ErrorText.svelte';
  import { newProduct } from '../../../ui/newProduct';
  import type { CardDraft } from './cardDraft.svelte';

  /** Lines as text: one, or several with commas; Enter takes them and goes on. */
  let { draft }: { draft: CardDraft } = $props();

  const id = $props.id();
  let text = $state('');
  let busy = $state(false);
  let error = $state<unknown>(null);

  async function take() {
    const written = text.trim();
    if (written === '' || busy) return;
    busy = true;
    error = null;
    try {
      const content = new Blob([`${draft.piece.name || 'A card'}\n\nIngredients:\n${written}`]);
      const [found] = await answer(
        api.POST('/api/v1/recipes/review', { params: { query: {} }, ...fileBody(content) })
      );
      if (found) {
        const lines = found.preparation.lines ?? [];
        const names = { ...found.names };
        for (const product of found.products) {
          const made = await newProduct(product.name);
          names[made] = product.name;
          for (const line of lines) if (line.item === product.id) line.item = made;
        }
        draft.addLines(lines, names);
        text = '';
      }
    } catch (refused) {
      error = refused;
    } finally {
      busy = false;
    }
  }
</script>

<form
  class="mt-3 flex items-end gap-2"
  onsubmit={(event) => {
    event.preventDefault();
    void take();
  }}
>
  <div class="min-w-0 flex-1">
    <label class="text-soft" for="quick-{id}">Write lines, commas between; Enter takes them</label>
    <input
      id="quick-{id}"
      class="field"
      maxlength="2000"
      autocomplete="off"
      placeholder="100 g butter"
      bind:value={text}
    />
  </div>
  <Button disabled={text.trim() === '' || busy} onclick={take}>Take</Button>
</form>
<ErrorText {error} />
