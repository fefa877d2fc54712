<script lang="ts">
  import { answer, api, type Schema } from '../../../api/client';
  import { Write } from '../../../api/write.svelte';
  import { momentWords } from '../../../lib/moments';
  import ErrorText from '../../../ui/ErrorText.svelte';
  import AmountBox from '../../../ui/amount/AmountBox.svelte';
  import Field from '../../../ui/Field.svelte';
  import ItemBox from '../../../ui/ItemBox.svelte';
  import type { Amount, Said } from './made.svelte';

  /** One line of a card as it was made: as the card says, or what really went in. */
  let {
    line,
    said,
    weighed,
    factor,
    onsay,
    onweigh
  }: {
    line: Schema['LineChoicesOut'];
    said: Said | undefined;
    weighed: Amount | undefined;
    factor: number;
    onsay: (said: Said | null) => void;
    onweigh: (amount: Amount) => void;
  } = $props();

  let open = $state(false);
  let other = $state('');
  const id = $props.id();

  interface Choice extends Said {
    key: string;
  }

  const choices = $derived.by((): Choice[] => {
    const found: Choice[] = [];
    const add = (kind: Said['kind'], value: string, name: string) =>
      found.push({ key: `${kind} ${value}`, kind, value, name });
    for (const batch of line.batches)
      add('batch', batch.id, `the batch of ${momentWords(batch.made)}`);
    for (const lot of line.lots)
      add('lot', lot.id, `lot ${lot.code || lot.id}${lot.maker ? `, ${lot.maker}` : ''}`);
    for (const maker of line.makers) add('maker', maker.id, `of ${maker.name}`);
    if (!line.made) add('maker', '?', 'of none of our makers');
    for (const alternative of line.alternatives) add('other', alternative.id, alternative.name);
    return found;
  });

  function choose(choice: Said | null) {
    onsay(choice);
    open = false;
  }

  let pack = $state('');
  const scanning = new Write(
    (text: string) =>
      answer(api.POST('/api/v1/lots/scanned', { body: { product: line.item.id, text } })),
    { reaches: 'day' }
  );

  /** A scanner types what the bars say, and ends with Enter. */
  async function scanned(event: KeyboardEvent) {
    if (event.key !== 'Enter' || pack.trim() === '') return;
    event.preventDefault();
    const found = await scanning.send(pack.trim());
    if (found === null) return;
    pack = '';
    const { id, code } = found.lot;
    choose({ kind: 'lot', value: id, name: `lot ${code || id}` });
  }

  const amount = $derived(
    weighed ?? { quantity: Math.round(line.quantity * factor * 100) / 100, unit: line.unit }
  );
  const named = $derived(
    line.maker ? (line.makers.find((maker) => maker.id === line.maker)?.name ?? null) : null
  );
</script>

<li class="border-b border-rule py-2" data-line={line.line}>
  <div class="grid grid-cols-[92px_minmax(0,1fr)_auto] items-start gap-3">
    <span class="amount pt-2 text-right">{amount.quantity} {amount.unit}</span>
    <div class="pt-2">
      <p class={said?.kind === 'left_out' ? 'line-through' : ''}>{line.item.name}</p>
      {#if said}
        <p class="text-clay">
          {said.kind === 'other' ? `instead: ${said.name}` : said.name}
        </p>
      {:else}
        <p class="text-soft">
          {weighed ? 'another amount; ' : ''}{named
            ? `${named}, as said today`
            : line.made
              ? 'no batch noted'
              : 'as the card says'}
        </p>
      {/if}
    </div>
    {#if said}
      <button type="button" class="min-h-11 px-2 underline" onclick={() => choose(null)}
        >as the card<span class="sr-only"> says: {line.item.name}</span></button
      >
    {:else}
      <button
        type="button"
        class="min-h-11 px-2 underline"
        aria-expanded={open}
        aria-controls="choices-{id}"
        onclick={() => (open = !open)}
        >otherwise<span class="sr-only">: {line.item.name}</span></button
      >
    {/if}
  </div>
  {#if open}
    <div id="choices-{id}" class="grid gap-1 pt-1 pl-[104px] max-phone:pl-0">
      {#each choices as choice (choice.key)}
        <button
          type="button"
          class="min-h-11 border border-rule bg-sheet px-3 text-left hover:bg-ladle-pale"
          onclick={() => choose(choice)}>{choice.name}</button
        >
      {/each}
      <div class="flex items-center gap-3">
        <span class="text-soft">How much</span>
        <AmountBox
          quantity={amount.quantity}
          unit={amount.unit}
          item={line.item.id}
          label="How much {line.item.name} went in"
          onset={(quantity, unit) => onweigh({ quantity, unit })}
        />
      </div>
      {#if !line.made}
        <Field label="Its lot, scanned or typed">
          <input class="field" autocomplete="off" bind:value={pack} onkeydown={scanned} />
        </Field>
        <ErrorText error={scanning.error} />
      {/if}
      <label class="block" for="other-{id}">
        <span class="text-soft">Something else instead</span>
        <ItemBox
          id="other-{id}"
          label="Instead of {line.item.name}"
          bind:item={other}
          onnamed={(item, name) => choose({ kind: 'other', value: item, name })}
        />
      </label>
      <button
        type="button"
        class="min-h-11 border border-rule bg-sheet px-3 text-left hover:bg-ladle-pale"
        onclick={() => choose({ kind: 'left_out', value: '', name: 'left out' })}>Left out</button
      >
    </div>
  {/if}
</li>
