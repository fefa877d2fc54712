<script lang="ts">
  import Check from '../../../ui/Check.svelte';
  import { Collapsible } from 'bits-ui';
  import type { CardDraft } from './cardDraft.svelte';

  /** Which lines a by-product comes of: with any of them gone, it is gone too. */
  let { draft, index }: { draft: CardDraft; index: number } = $props();

  const part = $derived((draft.piece.by_products ?? [])[index]);
  const named = $derived(
    (part?.of ?? []).map((at) => draft.names[draft.lines[at]?.item ?? ''] ?? '').filter(Boolean)
  );

  function toggle(at: number, on: boolean) {
    if (!part) return;
    const of = (part.of ?? []).filter((other) => other !== at);
    const left = on ? [...of, at].sort((one, other) => one - other) : of;
    part.of = left.length > 0 ? left : null;
  }
</script>

<Collapsible.Root>
  <Collapsible.Trigger class="min-h-11 text-left text-base underline underline-offset-4">
    Comes of {named.length > 0 ? named.join(', ') : 'the main lines of the pot'}
  </Collapsible.Trigger>
  <Collapsible.Content>
    <fieldset>
      <legend class="text-base text-soft">
        It is lost when one of these is left out or swapped
      </legend>
      {#each draft.lines as line, at (at)}
        {#if line.item !== ''}
          <Check
            checked={(part?.of ?? []).includes(at)}
            onchange={(event) => toggle(at, event.currentTarget.checked)}
            >{draft.names[line.item] ?? line.item}</Check
          >
        {/if}
      {/each}
    </fieldset>
  </Collapsible.Content>
</Collapsible.Root>
