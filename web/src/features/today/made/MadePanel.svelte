<script lang="ts">
  import { untrack } from 'svelte';
  import { answer, api, Refused, type Schema } from '../../../api/client';
  import { cardTodayQuery } from '../../../api/queries';
  import { p } from '../../../app/routes';
  import { AsyncState } from '../../../lib/asyncState.svelte';
  import AmountBox from '../../../ui/amount/AmountBox.svelte';
  import Button from '../../../ui/Button.svelte';
  import Disclaimer from '../../../ui/Disclaimer.svelte';
  import ErrorText from '../../../ui/ErrorText.svelte';
  import Field from '../../../ui/Field.svelte';
  import ItemBox from '../../../ui/ItemBox.svelte';
  import LineMade from './LineMade.svelte';
  import { MadePot } from './made.svelte';
  import MeaningText from './MeaningText.svelte';

  /** One pot as it is being made: its card for today, and what really went in; or a correction. */
  let {
    pot,
    batch = null,
    onmade
  }: {
    pot: string | null;
    batch?: Schema['BatchOut'] | null;
    onmade: (done: Schema['MadeOut']) => void;
  } = $props();

  const card = cardTodayQuery(() => pot);
  const made = new MadePot();
  let adding = $state('');

  // What somebody else records meanwhile asks the card again, and changes nothing that was said.
  let shown: string | null | undefined;
  $effect(() => {
    const lines = card.data?.lines;
    if (pot === shown || (batch && pot !== null && !lines)) return;
    shown = pot;
    untrack(() => {
      if (batch) made.load(batch, lines ?? []);
      else made.clear();
    });
  });

  /** A correction is told against the card that was followed, which may be another by now. */
  const sameCard = $derived(
    !batch?.piece.card ||
      (card.data?.lines ?? []).every(
        (line) => batch.piece.card?.lines[line.line]?.item === line.item.id
      )
  );

  const factor = $derived(
    made.quantity && card.data?.quantity ? made.quantity / card.data.quantity : 1
  );
  const ready = $derived(pot === null ? made.name.trim() !== '' : card.data !== undefined);
  const body = $derived(made.body(pot === null ? null : (card.data ?? null)));
  const meaning = new AsyncState<Schema['MeaningOut']>();

  $effect(() => {
    if (!made.differs || !ready) return;
    const wanted = body;
    untrack(() => meaning.ask(() => answer(api.POST('/api/v1/batches/preview', { body: wanted }))));
  });

  const refusedAsStale = $derived(
    batch !== null &&
      made.writing.error instanceof Refused &&
      made.writing.error.current !== undefined
  );

  async function record() {
    const done = await made.writing.send(body);
    if (done === null) return;
    made.clear();
    onmade(done);
  }
</script>

<section aria-labelledby="made-name" class="grid content-start gap-3" data-made-panel>
  {#if pot === null}
    <h2 id="made-name" class="text-head">Something without a card</h2>
    <Field label="What it is">
      <input class="field" maxlength="200" autocomplete="off" bind:value={made.name} />
    </Field>
  {:else if card.data}
    <div class="flex flex-wrap items-end justify-between gap-3">
      <h2 id="made-name" class="text-head">{card.data.name}</h2>
      <a class="underline" href={p('/pots/:id', { params: { id: pot } })}>Its card</a>
    </div>
    {#if card.data.quantity}
      <div class="flex flex-wrap gap-4">
        {#if !batch}
          <Field label="Made for, {card.data.unit}" class="w-40">
            <input
              class="field amount"
              type="number"
              min="0"
              step="any"
              placeholder={String(card.data.quantity)}
              bind:value={made.quantity}
            />
          </Field>
        {/if}
        <div class="w-40">
          <span class="text-soft">It came to</span>
          <AmountBox
            quantity={made.out?.quantity ?? 0}
            unit={made.out?.unit ?? card.data.unit ?? ''}
            label="What it came to"
            onset={(quantity, unit) => (made.out = { quantity, unit })}
          />
        </div>
      </div>
    {/if}
    <ul>
      {#each card.data.lines as line (line.line)}
        <LineMade
          {line}
          {factor}
          said={made.said[line.line]}
          weighed={made.amounts[line.line]}
          onsay={(said) => made.say(line.line, said)}
          onweigh={(amount) => made.weigh(line.line, amount)}
        />
      {/each}
    </ul>
  {/if}
  <ul>
    {#each made.added as entry, index (index)}
      <li
        class="grid grid-cols-[minmax(0,1fr)_150px_auto] items-center gap-3 border-b border-rule"
        data-added
      >
        <span class="text-clay">also: {entry.name}</span>
        <AmountBox
          quantity={entry.amount?.quantity ?? 0}
          unit={entry.amount?.unit ?? ''}
          item={entry.item}
          label="How much {entry.name} went in"
          onset={(quantity, unit) => (entry.amount = { quantity, unit })}
        />
        <button type="button" class="min-h-11 px-2 underline" onclick={() => made.drop(index)}
          >not this<span class="sr-only">: {entry.name}</span></button
        >
      </li>
    {/each}
  </ul>
  {#key made.added.length}
    <label class="block" for="made-added">
      <span class="text-soft">Something more went in</span>
      <ItemBox
        id="made-added"
        label="Something more went in"
        bind:item={adding}
        onnamed={(item, name) => made.add(item, name)}
      />
    </label>
  {/key}
  {#if !batch}
    <details>
      <summary class="min-h-11 cursor-pointer py-2 text-soft underline">It was made earlier</summary
      >
      <Field label="When" class="w-60">
        <input class="field" type="datetime-local" bind:value={made.at} />
      </Field>
    </details>
  {:else}
    <Field label="Why it is corrected">
      <input class="field" maxlength="200" autocomplete="off" bind:value={made.why} />
    </Field>
  {/if}
  <div>
    {#if !sameCard}
      <p class="text-clay">Its card was changed since. Take it back, and record it anew.</p>
    {:else}
      <Button main disabled={!ready || made.writing.busy} onclick={record}>
        {batch
          ? 'Correct it so'
          : made.differs || pot === null
            ? 'Made it, as shown'
            : 'Made it, as the card says'}
      </Button>
    {/if}
  </div>
  <ErrorText error={made.writing.error ?? made.merging.error} />
  {#if refusedAsStale}
    <div>
      <Button disabled={made.merging.busy} onclick={() => made.merge(body, card.data?.lines ?? [])}
        >Put both together</Button
      >
    </div>
  {/if}
  {#if made.conflicts}
    <p class="text-clay" role="status">
      {made.conflicts.length > 0
        ? `Both of you changed ${made.conflicts.join(', ')}: yours is shown.`
        : 'Both corrections are shown together.'} Look at it and record it again.
    </p>
  {/if}
  <!-- Beneath the button: it must not move from under a finger as this comes in. -->
  {#if made.differs}<MeaningText meaning={meaning.value} />{/if}
  <Disclaimer />
</section>
