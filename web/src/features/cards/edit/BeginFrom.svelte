<script lang="ts">
  import { answer, api } from '../../../api/client';
  import Button from '../../../ui/Button.svelte';
  import ErrorText from '../../../ui/ErrorText.svelte';
  import ItemBox from '../../../ui/ItemBox.svelte';
  import type { CardDraft } from './cardDraft.svelte';

  /** Other ways to begin a card than writing it: a base, a copy, or its flags alone. */
  let { draft, onflags }: { draft: CardDraft; onflags: () => void } = $props();

  let choosing = $state(false);
  let copying = $state(false);
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

<div class="mt-1 flex flex-wrap items-center gap-2" role="group" aria-label="Begin from">
  <span class="text-soft">or begin from</span>
  <Button onclick={() => (choosing = true)}>a base</Button>
  <Button onclick={() => (copying = true)}>a copy</Button>
  <Button onclick={onflags}>its flags</Button>
</div>
{#if copying}
  <label class="mt-2 block text-soft" for="copy-of">A copy of</label>
  <ItemBox id="copy-of" label="A copy of" item="" only="preparation" onnamed={copy} />
{/if}
<ErrorText {error} />
{#if choosing}
  {#await import('./BaseSheet.svelte') then { default: BaseSheet }}
    <BaseSheet onclose={() => (choosing = false)} />
  {/await}
{/if}
