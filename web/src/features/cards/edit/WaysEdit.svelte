<script lang="ts">
  import Field from '../../../ui/Field.svelte';
  import Button from '../../../ui/Button.svelte';
  import type { CardDraft } from './cardDraft.svelte';

  /** The ways of a pot: the one on the card gets a name, another one is begun from it. */
  let { draft }: { draft: CardDraft } = $props();

  let name = $state('');
  const others = $derived(draft.piece.ways ?? []);
  const taken = $derived(
    [draft.piece.way ?? '', ...others.map((way) => way.name)].includes(name.trim())
  );

  function add() {
    draft.addWay(name.trim());
    name = '';
  }
</script>

<h2 class="mt-5 text-lead">Ways</h2>
<p class="text-base text-soft">
  Where cooks disagree, a pot holds more than one way; the one on this card counts.
</p>
<div class="mt-2 grid grid-cols-[minmax(0,1fr)_minmax(0,1fr)_auto] items-end gap-2">
  <Field label="The way on this card">
    <input class="field" maxlength="200" bind:value={draft.piece.way} />
  </Field>
  <Field label="Begin another way, called">
    <input class="field" maxlength="200" bind:value={name} />
  </Field>
  <Button disabled={name.trim() === '' || taken} onclick={add}>Begin it</Button>
</div>
{#if taken && name.trim()}<p class="text-clay">That way is there already.</p>{/if}
{#each others as way, index (way.name)}
  <p class="mt-1 flex items-center gap-3">
    {way.name}, {way.lines?.length ?? 0} lines
    <button
      type="button"
      class="min-h-11 underline"
      onclick={() => (draft.piece.ways = others.filter((_, at) => at !== index))}
    >
      remove it
    </button>
  </p>
{/each}
