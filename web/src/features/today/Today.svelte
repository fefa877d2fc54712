<script lang="ts">
  import { answer, api, type Schema } from '../../api/client';
  import { todayQuery } from '../../api/queries';
  import { Write } from '../../api/write.svelte';
  import { p } from '../../app/routes';
  import Button from '../../ui/Button.svelte';
  import ErrorText from '../../ui/ErrorText.svelte';
  import Field from '../../ui/Field.svelte';
  import { oneColumn } from '../../ui/narrow';
  import Page from '../../ui/Page.svelte';
  import MadePanel from './made/MadePanel.svelte';
  import MeaningText from './made/MeaningText.svelte';
  import PotTodayRow from './PotTodayRow.svelte';
  import TodayNav from './TodayNav.svelte';

  const today = todayQuery();
  let words = $state('');
  let chosen = $state<string | null>(null);
  let without = $state(false);
  let last = $state.raw<Schema['MadeOut'] | null>(null);

  const recording = new Write(
    (preparation: string) =>
      answer(api.POST('/api/v1/batches', { body: { preparation } as Schema['MadeIn'] })),
    { says: (done) => `${done.name}: recorded as the card says.`, reaches: 'day' }
  );

  const shown = $derived(
    (today.data?.pots ?? []).filter((pot) =>
      pot.name.toLocaleLowerCase().includes(words.trim().toLocaleLowerCase())
    )
  );

  async function made(pot: string) {
    last = await recording.send(pot);
  }

  function choose(pot: string | null) {
    without = pot === null;
    chosen = chosen === pot ? null : pot;
    last = null;
  }
</script>

{#snippet aside()}
  <div class="flex flex-wrap items-end gap-3">
    <Field label="Find a pot or plate" class="w-60">
      <input class="field" type="search" autocomplete="off" bind:value={words} />
    </Field>
    <Button onclick={() => choose(null)}>Without a card</Button>
  </div>
{/snippet}

{#snippet nav()}<TodayNav />{/snippet}

{#snippet panel()}
  <MadePanel
    pot={chosen}
    onmade={(done) => {
      last = done;
      chosen = null;
      without = false;
    }}
  />
{/snippet}

<Page
  title="Today"
  told="What is made today. One tap records a pot as its card says; open it where something else went in."
  {nav}
  {aside}
>
  <ErrorText error={recording.error} />
  <div class="grid grid-cols-[minmax(0,1fr)_440px] gap-8 max-desk:grid-cols-1">
    <div class="max-desk:order-last">
      <ul data-pots>
        {#each shown as pot (pot.id)}
          <PotTodayRow
            {pot}
            chosen={chosen === pot.id}
            onchoose={() => choose(pot.id)}
            onmade={() => made(pot.id)}
            children={oneColumn.current ? panel : undefined}
          />
        {:else}
          <li class="py-3">No pot has this in its name.</li>
        {/each}
      </ul>
      {#if (today.data?.others.length ?? 0) > 0}
        <h2 class="mt-5 text-lead">Without a card</h2>
        <ul>
          {#each today.data?.others ?? [] as batch (batch.id)}
            <li class="border-b border-rule py-2">
              <a class="underline" href={p('/batches/:id', { params: { id: batch.id } })}
                >{batch.name}, {batch.made.slice(11, 16)}</a
              >
            </li>
          {/each}
        </ul>
      {/if}
    </div>
    <div class="sticky top-0 self-start pt-3 max-desk:static">
      {#if last}
        <div class="mb-4 border-b border-rule pb-3" data-made={last.id} role="status">
          <p class="text-lead font-semibold">
            <a class="underline" href={p('/batches/:id', { params: { id: last.id } })}
              >{last.name}</a
            > is recorded.
          </p>
          <MeaningText meaning={last.meaning} />
        </div>
      {/if}
      {#if without || (chosen !== null && !oneColumn.current)}
        {@render panel()}
      {:else if chosen === null && !last}
        <p class="text-soft">
          Open a pot to say what really went in: another maker, another batch, something instead,
          something left out.
        </p>
      {/if}
    </div>
  </div>
</Page>
