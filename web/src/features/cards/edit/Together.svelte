<script lang="ts">
  import { answer, api, sentence } from '../../../api/client';
  import Button from '../../../ui/Button.svelte';
  import type { CardDraft } from './cardDraft.svelte';
  import { copied } from './pieces';
  import type { Presence } from './presence.svelte';

  /** Who else is on this card, and putting both people's changes together. */
  let {
    draft,
    presence,
    onmerged
  }: { draft: CardDraft; presence: Presence; onmerged: () => void } = $props();

  /** What they changed, and where both did, in words. */
  let told = $state.raw<string[]>([]);
  let trouble = $state('');
  const newer = $derived(
    draft.version !== null && presence.standing !== null && presence.standing !== draft.version
  );

  async function merge() {
    trouble = '';
    const id = draft.base.id;
    const params = { path: { id } };
    try {
      const body = { base: copied(draft.base), mine: copied(draft.piece) };
      const merged = await answer(api.POST('/api/v1/cards/{id}/merged', { params, body }));
      const now = await answer(api.GET('/api/v1/preparations/{id}', { params }));
      draft.merge(merged.preparation, now.preparation, merged.version);
      told = [...merged.differences.map((line) => `They changed: ${line}`), ...merged.conflicts];
      onmerged();
    } catch (error) {
      trouble = sentence(error);
    }
  }
</script>

{#if presence.others.length > 0}
  <p class="border-l-4 border-ladle pl-3" role="status" data-others>
    {presence.others.join(', ')}
    {presence.others.length === 1 ? 'has' : 'have'} this card open as well.
  </p>
{/if}
{#if newer}
  <div class="grid gap-2 border-l-4 border-clay pl-3" data-newer>
    <p>Somebody recorded a newer version of this card while you were writing.</p>
    <div><Button onclick={merge}>Merge both versions</Button></div>
  </div>
{/if}
{#each told as line (line)}<p class="text-clay" data-conflict>{line}</p>{/each}
{#if trouble}<p class="text-clay">{trouble}</p>{/if}
