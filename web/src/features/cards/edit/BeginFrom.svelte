<script lang="ts">
  import { answer, api } from '../../../api/client';
  import Button from '../../../ui/Button.svelte';
  import ErrorText from '../../../ui/ErrorText.svelte';
  import ItemBox from '../../../ui/ItemBox.svelte';
  import type { CardDraft } from './cardDraft.svelte';

  /** Other ways to begin a card than writing it: a base, a copy, or its flags alone. */
  let { draft, onflags }: { draft: CardDraft; onflags: () => void } = $props();

  let choosing = $state(false);
  let error = $state<unknown>(null);

  async function copy(id: string) {
    error = null;
    try {
      const params = { path: { id } };
      const pot = await answer(api.GET('/api/v1/preparations/{id}', { params }));
      const names = pot.lines.map((line) => [line.line.item, line.name] as const);
      draft.copy(pot.preparation, Object.fromEntries(names));
    } catch (refused) {
      error = refused;
    }
  }
</script>

<div class="mt-2 flex flex-wrap items-end gap-3" role="group" aria-label="Begin from">
  <Button onclick={() => (choosing = true)}>A base of the library</Button>
  <Button onclick={onflags}>Its flags alone</Button>
  <div class="min-w-60 flex-1">
    <label class="text-soft" for="copy-of">or a copy of</label>
    <ItemBox id="copy-of" label="A copy of" item="" only="preparation" onnamed={copy} />
  </div>
</div>
<ErrorText {error} />
{#if choosing}
  {#await import('./BaseSheet.svelte') then { default: BaseSheet }}
    <BaseSheet onclose={() => (choosing = false)} />
  {/await}
{/if}
