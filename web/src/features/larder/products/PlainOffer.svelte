<script lang="ts">
  import { answer, api, type Schema } from '../../../api/client';
  import { singleKeys } from '../../../app/singleKeys.svelte';
  import { AsyncState } from '../../../lib/asyncState.svelte';
  import Button from '../../../ui/Button.svelte';
  import type { ProductDraft } from './productDraft.svelte';

  /** Offers to record a good as a plain single food, where it can be one, and says what that states. */
  let { draft }: { draft: ProductDraft } = $props();

  const asked = new AsyncState<Schema['ClassOut'] | undefined>({ rest: 250 });

  $effect(() => {
    const body = { names: [draft.name.trim()], recorded: [draft.className || null] };
    if (!body.names[0]) return;
    asked.ask(async () => (await answer(api.POST('/api/v1/classes/read', { body })))[0]);
  });

  const label = $derived(draft.label);
  const unread = $derived(
    label.otherwise !== 'free' &&
      label.text.trim() === '' &&
      draft.voices.length === 1 &&
      draft.parts.length === 0 &&
      !draft.isBag
  );
  const plain = $derived(unread && draft.name.trim() ? (asked.value?.plain ?? null) : null);

  $effect(() => {
    const flags = plain?.flags;
    if (flags) return singleKeys.register({ p: () => draft.markPlain(flags) });
  });
</script>

{#if plain}
  <div
    class="mt-2 flex flex-wrap items-center gap-x-4 gap-y-1 border-b border-rule pb-2"
    data-plain
  >
    <Button onclick={() => draft.markPlain(plain.flags)}>
      A plain single food
      <kbd class="amount border border-edge px-1.5 text-base">p</kbd>
    </Button>
    <p>Records {plain.sentence}.</p>
  </div>
{/if}
