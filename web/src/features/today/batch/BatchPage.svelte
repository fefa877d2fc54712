<script lang="ts">
  import { answer, api, type Level } from '../../../api/client';
  import { batchQuery } from '../../../api/queries';
  import { Write } from '../../../api/write.svelte';
  import { p, route } from '../../../app/routes';
  import { levelWord } from '../../../lib/levels';
  import { momentWords } from '../../../lib/moments';
  import Button from '../../../ui/Button.svelte';
  import Disclaimer from '../../../ui/Disclaimer.svelte';
  import ErrorText from '../../../ui/ErrorText.svelte';
  import PotMark from '../../../ui/marks/PotMark.svelte';
  import Page from '../../../ui/Page.svelte';
  import MadePanel from '../made/MadePanel.svelte';
  import TodayNav from '../TodayNav.svelte';
  import BatchAside from './BatchAside.svelte';
  import BatchHistory from './BatchHistory.svelte';
  import FlagList from './FlagList.svelte';
  import StatedLevels from './StatedLevels.svelte';

  /** A batch: what it carries and from where, where it went, what is left, what was said of it. */
  const id = $derived(String(route.params.id ?? ''));
  const query = batchQuery(() => id || null);
  const batch = $derived(query.data);

  const takingBack = new Write(
    (seen: number) =>
      answer(api.DELETE('/api/v1/batches/{id}', { params: { path: { id }, query: { seen } } })),
    { says: () => 'Taken back.', reaches: 'day' }
  );

  let correcting = $state(false);

  const ORDER: Level[] = ['contains', 'may_contain', 'unchecked'];
  const levels = $derived(
    ORDER.map((level) => ({
      level,
      flags: (batch?.flags ?? []).filter((flag) => flag.level === level)
    })).filter((part) => part.flags.length > 0)
  );
</script>

{#snippet nav()}<TodayNav />{/snippet}
{#snippet aside()}
  <div class="flex flex-wrap gap-3">
    <Button href={`${p('/trace')}?batch=${id}`}>Trace it</Button>
    {#if batch}
      {#if batch.preparation || batch.piece.preparation == null}
        <Button onclick={() => (correcting = !correcting)}>Correct it</Button>
      {/if}
      <Button disabled={takingBack.busy} onclick={() => takingBack.send(batch.seen)}
        >Take it back</Button
      >
    {/if}
  </div>
{/snippet}

{#if query.isError}
  <Page title="Batch" told="" {nav}>
    <ErrorText error={query.error} />
    <BatchHistory {id} />
  </Page>
{:else if batch}
  <Page
    title={batch.name}
    told="Made {momentWords(batch.piece.made)}{batch.piece.by
      ? ` by ${batch.piece.by}`
      : ''}{batch.late ? `, written down later, ${momentWords(batch.piece.recorded ?? '')}` : ''}"
    {nav}
    {aside}
  >
    <ErrorText error={takingBack.error} />
    {#if correcting}
      <div class="max-w-2xl pt-3" data-correcting>
        <MadePanel
          pot={batch.preparation?.id ?? null}
          {batch}
          onmade={() => (correcting = false)}
        />
      </div>
    {/if}
    <div class="grid grid-cols-[minmax(0,1fr)_380px] gap-8 pt-3 max-desk:grid-cols-1">
      <div>
        {#each levels as part (part.level)}
          <h2 class="flex items-center gap-2 pt-2 text-lead">
            <PotMark level={part.level} decorative />{levelWord(part.level)}
          </h2>
          <div data-level={part.level}><FlagList flags={part.flags} /></div>
        {/each}
        <StatedLevels {batch} />
        <div class="pt-3"><Disclaimer /></div>
      </div>
      <div>
        <BatchAside {batch} />
        <BatchHistory {id} />
      </div>
    </div>
  </Page>
{/if}
