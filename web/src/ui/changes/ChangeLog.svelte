<script lang="ts">
  import type { Schema } from '../../api/client';
  import Button from '../Button.svelte';
  import UndoSheet from './UndoSheet.svelte';

  /** What was changed, when, by whom and why; each can be taken back by a new change. */
  let { entries }: { entries: Schema['EntryOut'][] } = $props();

  let taken = $state.raw<Schema['EntryOut'] | null>(null);

  const when = (at: string) => new Date(at).toLocaleString('sv-SE').slice(0, 16);
</script>

<ol>
  {#each entries as entry (entry.id)}
    <li
      class="grid grid-cols-[minmax(0,1fr)_auto] items-start gap-x-4 gap-y-1 border-b border-rule py-2.5 phone:grid-cols-[180px_minmax(0,1fr)_auto]"
    >
      <div class="col-span-2 phone:col-span-1">
        <time class="amount text-base" datetime={entry.at}>{when(entry.at)}</time>
        <p class="text-soft">{entry.person ?? 'nobody named'}</p>
      </div>
      <div>
        <p>{entry.told}</p>
        {#if entry.why}<p class="text-soft">{entry.why}</p>{/if}
        {#if entry.undone_by}<p class="text-clay">Taken back since.</p>{/if}
      </div>
      {#if entry.item !== '' && !entry.undone_by}
        <Button onclick={() => (taken = entry)}>Take back</Button>
      {/if}
    </li>
  {:else}
    <li class="py-4 text-soft">Nothing was changed yet.</li>
  {/each}
</ol>
{#if taken}<UndoSheet entry={taken} onclose={() => (taken = null)} />{/if}
