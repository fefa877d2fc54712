<script lang="ts">
  import { answer, api } from '../../../api/client';
  import { batchHistoryQuery } from '../../../api/queries';
  import { momentWords } from '../../../lib/moments';
  import { Write } from '../../../api/write.svelte';
  import Button from '../../../ui/Button.svelte';
  import ErrorText from '../../../ui/ErrorText.svelte';

  /** What was said of a batch, and the way to take the last word back. */
  let { id }: { id: string } = $props();

  const history = batchHistoryQuery(() => id);
  const undoing = new Write(
    (batch: string) =>
      answer(api.POST('/api/v1/batches/{id}/undo', { params: { path: { id: batch } } })),
    { says: () => 'The last word on it was taken back.', reaches: 'day' }
  );
  const said = (index: number, count: number, gone: boolean) =>
    gone ? 'taken back' : index === count - 1 ? 'recorded' : 'corrected';
</script>

{#if history.data}
  <h2 class="mt-4 text-lead">History</h2>
  <ul data-history>
    {#each history.data as version, index (version.seq)}
      <li class="border-b border-rule py-1.5">
        {said(index, history.data.length, version.gone)}
        <span class="text-soft">
          {momentWords(version.recorded)}{version.person ? `, ${version.person}` : ''}{version.why
            ? `: ${version.why}`
            : ''}
        </span>
      </li>
    {/each}
  </ul>
  {#if history.data.length > 1}
    <div class="pt-2">
      <Button disabled={undoing.busy} onclick={() => undoing.send(id)}>Undo the last word</Button>
    </div>
  {/if}
  <ErrorText error={undoing.error} />
{/if}
