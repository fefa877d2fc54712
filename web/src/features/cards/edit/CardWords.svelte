<script lang="ts">
  import type { Schema } from '../../../api/client';
  import { asWords } from '../../../lib/levels';
  import Button from '../../../ui/Button.svelte';
  import type { CardDraft } from './cardDraft.svelte';

  /** What the card's texts name and no line brings: add the line, or say that it is not in it. */
  let {
    words,
    draft,
    onaddline
  }: { words: Schema['CardWordOut'][]; draft: CardDraft; onaddline: () => void } = $props();

  function refuse(text: string) {
    draft.piece.not_in_it = [...(draft.piece.not_in_it ?? []), text];
  }
</script>

{#if words.length > 0}
  <section aria-labelledby="card-words" data-card-words>
    <h2 id="card-words" class="text-lead">Named, but in no line</h2>
    <p class="text-soft">Recorded like this, it counts as not checked.</p>
    <ul>
      {#each words as word (`${word.step} ${word.text}`)}
        <li class="border-b border-rule py-2">
          <q>{word.text}</q>
          {word.step === null ? 'in the name or a note' : `in step ${word.step + 1}`}
          <span class="text-clay">({word.flags.map(asWords).join(', ')})</span>
          <span class="mt-1 flex flex-wrap gap-2">
            <Button onclick={onaddline}>Add the line</Button>
            <Button onclick={() => refuse(word.text)}>Not in it</Button>
          </span>
        </li>
      {/each}
    </ul>
  </section>
{/if}
