<script lang="ts">
  import { answer, api, type Level } from '../../../api/client';
  import { batchQuery } from '../../../api/queries';
  import { Write } from '../../../api/write.svelte';
  import { p, route } from '../../../app/routes';
  import { levelWord } from '../../../lib/levels';
  import Button from '../../../ui/Button.svelte';
  import Disclaimer from '../../../ui/Disclaimer.svelte';
  import ErrorText from '../../../ui/ErrorText.svelte';
  import PotMark from '../../../ui/marks/PotMark.svelte';
  import Page from '../../../ui/Page.svelte';
  import TodayNav from '../TodayNav.svelte';
  import BatchAside from './BatchAside.svelte';
  import BatchHistory from './BatchHistory.svelte';

  /** A batch: what it carries and from where, where it went, what is left, what was said of it. */
  const id = $derived(String(route.params.id ?? ''));
  const query = batchQuery(() => id || null);
  const batch = $derived(query.data);

  const takingBack = new Write(
    (seen: number) =>
      answer(api.DELETE('/api/v1/batches/{id}', { params: { path: { id }, query: { seen } } })),
    { says: () => 'Taken back.', reaches: 'day' }
  );

  const KINDS: Record<string, string> = {
    possible: 'may be in it, nobody noted the lot',
    gone: 'no longer in the book',
    recorded: 'written down when it was made',
    own: 'by its own statements'
  };

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
    told="Made {batch.piece.made.slice(0, 16).replace('T', ' at ')}{batch.piece.by
      ? ` by ${batch.piece.by}`
      : ''}{batch.late ? `, written down later, ${batch.piece.recorded?.slice(0, 16).replace('T', ' at ')}` : ''}"
    {nav}
    {aside}
  >
    <ErrorText error={takingBack.error} />
    <div class="grid grid-cols-[minmax(0,1fr)_380px] gap-8 pt-3 max-desk:grid-cols-1">
      <div>
        {#each levels as part (part.level)}
          <h2 class="flex items-center gap-2 pt-2 text-lead">
            <PotMark level={part.level} decorative />{levelWord(part.level)}
          </h2>
          <ul data-level={part.level}>
            {#each part.flags as flag (flag.flag)}
              <li class="grid grid-cols-[170px_minmax(0,1fr)] gap-3 border-b border-rule py-2 max-phone:grid-cols-1" data-flag={flag.flag}>
                <div>
                  <p class="font-semibold">{flag.name}</p>
                  {#if flag.card !== null && flag.card !== flag.level}
                    <p class="text-clay">card: {levelWord(flag.card)}</p>
                  {/if}
                  {#if flag.then !== null && flag.then !== flag.level}
                    <p class="text-soft">then: {levelWord(flag.then)}</p>
                  {/if}
                </div>
                <ul>
                  {#each flag.sources as source, index (index)}
                    <li>
                      {source.source}{source.lot ? `, lot ${source.lot}` : ''}{source.maker
                        ? `, ${source.maker}`
                        : ''}{source.way.length > 0 ? ` → ${source.way.join(' → ')}` : ''}
                      {#if source.tool}<span class="text-soft">by way of the {source.tool}</span
                        >{/if}
                      {#if KINDS[source.kind]}<span class="text-soft">{KINDS[source.kind]}</span
                        >{/if}
                      {#if source.level !== flag.level}
                        <span class="text-soft">{levelWord(source.level)}</span>
                      {/if}
                    </li>
                  {/each}
                </ul>
              </li>
            {/each}
          </ul>
        {/each}
        <div class="pt-3"><Disclaimer /></div>
      </div>
      <div>
        <BatchAside {batch} />
        <BatchHistory {id} />
      </div>
    </div>
  </Page>
{/if}
