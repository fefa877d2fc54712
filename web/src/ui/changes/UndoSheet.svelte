<script lang="ts">
  import { answer, api, type Schema } from '../../api/client';
  import { Write } from '../../api/write.svelte';
  import { AsyncState } from '../../lib/asyncState.svelte';
  import Button from '../Button.svelte';
  import Disclaimer from '../Disclaimer.svelte';
  import ErrorText from '../ErrorText.svelte';
  import Field from '../Field.svelte';
  import Sheet from '../Sheet.svelte';
  import ImpactView from '../impact/ImpactView.svelte';
  import { currentUser } from '../../api/currentUser.svelte';
  import WriterNote from '../WriterNote.svelte';

  /** Takes a change back: what that would do, who does it, and why where it lowers a flag. */
  let { entry, onclose }: { entry: Schema['EntryOut']; onclose: () => void } = $props();

  const preview = new AsyncState<Schema['UndoPreviewOut']>({ rest: 0 });
  let why = $state('');
  const params = $derived({ path: { id: entry.id } });
  $effect(() =>
    preview.ask(() => answer(api.POST('/api/v1/history/{id}/undo/preview', { params })))
  );
  const undoing = new Write(
    (body: Schema['UndoIn']) => answer(api.POST('/api/v1/history/{id}/undo', { params, body })),
    { says: (done) => `Taken back. ${done.sentence}` }
  );
  const lowers = $derived(preview.value?.lowers ?? true);
  const wants = $derived(lowers && (!currentUser.initials || why.trim() === ''));

  async function takeBack() {
    const told = `taken back: ${entry.told}`;
    const body = { why: `${why.trim() || told}`.slice(0, 1000) };
    if (await undoing.send(body)) onclose();
  }
</script>

<Sheet bind:open={() => true, onclose} title="Take back">
  <p>{entry.told}</p>
  <div class="mt-3">
    {#if preview.value}<ImpactView impact={preview.value.impact} />{/if}
    {#if preview.value?.lowers}
      <p class="mt-2 text-clay">This lowers flags: it wants the person behind it, and a reason.</p>
    {/if}
  </div>
  <WriterNote />
  <Field label={lowers ? 'Why' : 'Why, if you like'}>
    <input class="field" maxlength="900" autocomplete="off" bind:value={why} />
  </Field>
  {#snippet foot()}
    <ErrorText error={undoing.error ?? preview.error} />
    <div class="flex flex-wrap items-center gap-4">
      <Button main disabled={undoing.busy || !preview.value || wants} onclick={takeBack}
        >Take it back</Button
      >
      <Disclaimer />
    </div>
  {/snippet}
</Sheet>
