<script lang="ts">
  import Field from '../../../ui/Field.svelte';
  import { answer, api, type Schema } from '../../../api/client';
  import { potQuery } from '../../../api/queries';
  import { AsyncState } from '../../../lib/asyncState.svelte';
  import { selection } from '../../../lib/selection.svelte';
  import { figure } from '../../../lib/spoon';
  import ErrorText from '../../../ui/ErrorText.svelte';
  import { amountText } from '../../../lib/lines';
  import { p, route } from '../../../app/routes';

  /** A card for another amount: by its yield, by portions, by what is there, or so many times. */
  type By = Schema['ScaleIn']['by'];
  const id = $derived(route.params.id ?? '');
  const pot = potQuery(() => route.params.id ?? null);
  let by = $state<By>('yield');
  let text = $state('');
  let line = $state(0);
  const asked = new AsyncState<Schema['ScaledOut']>();
  const found = $derived(asked.value);

  const BY: [By, string, string][] = [
    ['yield', 'To a yield', '3 l'],
    ['portions', 'To portions', '40'],
    ['line', 'To what you have', '1.8 kg'],
    ['factor', 'By a factor', '2.5']
  ];
  const sample = $derived(BY.find(([key]) => key === by)?.[2] ?? '');
  const rounded = (each: Schema['ScaledLineOut']) => amountText(each.quantity, each.unit);

  $effect(() => {
    selection.pot = id;
  });

  $effect(() => {
    const body = { by, text: text.trim(), line };
    const params = { path: { id } };
    if (body.text === '') asked.clear();
    else asked.ask(() => answer(api.POST('/api/v1/cards/{id}/scaled', { params, body })));
  });
</script>

<svelte:head><title>Scale it · Yellow Ladle</title></svelte:head>

<div class="h-full overflow-y-auto px-5 py-4">
  {#if pot.data}
    <h1 class="text-title">{pot.data.preparation.name}, for another amount</h1>
    <a class="underline" href={p('/pots/:id', { params: { id } })}>Back to the card</a>
    <fieldset class="mt-3 flex flex-wrap items-end gap-4">
      <legend class="sr-only">Scale it</legend>
      <Field label="Scale it" class="w-52">
        <select class="field" bind:value={by}>
          {#each BY as [key, word] (key)}<option value={key}>{word}</option>{/each}
        </select>
      </Field>
      {#if by === 'line'}
        <Field label="I have" class="w-72">
          <select class="field" bind:value={line}>
            {#each pot.data.lines as each (each.index)}
              <option value={each.index}>{each.name}</option>
            {/each}
          </select>
        </Field>
      {/if}
      <Field label="How much" class="w-44">
        <input
          class="field amount"
          placeholder={sample}
          maxlength="200"
          data-how-much
          bind:value={text}
        />
      </Field>
    </fieldset>
    <ErrorText error={asked.error} />
    {#if found}
      <p class="mt-3" role="status" data-scaled>
        <b class="font-strong">{figure(found.factor)} times the card</b>{found.yield_quantity !==
        null
          ? `, makes ${amountText(found.yield_quantity, found.yield_unit ?? '')}`
          : ''}{found.portions !== null ? `, ${figure(found.portions)} portions` : ''}.
      </p>
      {#each found.warnings as warning (warning)}
        <p class="mt-1 max-w-2xl border-l-4 border-clay pl-3">{warning}</p>
      {/each}
    {/if}
    <table class="listed mt-4 w-full max-w-3xl text-left">
      <thead>
        <tr class="border-b border-edge text-base text-soft">
          <th scope="col" class="w-32 py-1.5 pr-3 text-right font-normal">On the card</th>
          <th scope="col" class="w-36 py-1.5 pr-3 text-right font-normal">Take</th>
          <th scope="col" class="py-1.5 font-normal">What</th>
        </tr>
      </thead>
      <tbody>
        {#each pot.data.lines as each (each.index)}
          {@const scaled = found?.lines[each.index]}
          <tr class={['border-b border-rule', !each.counted && 'text-soft']}>
            <td class="amount py-1.5 pr-3 text-right">
              {each.line.typed || amountText(each.line.quantity, each.line.unit)}
            </td>
            <td class="amount py-1.5 pr-3 text-right font-semibold">
              {scaled ? rounded(scaled) : ''}
            </td>
            <td class="py-1.5">
              {each.name}
              <span class="text-base text-soft">
                {[scaled?.kept_exact && 'to the tenth of a gram', !each.counted && 'not in use']
                  .filter(Boolean)
                  .join(', ')}
              </span>
            </td>
          </tr>
        {/each}
      </tbody>
    </table>
    <p class="mt-2 text-base text-soft">
      Rounded to what your scale and jugs show; roux and salt are kept exact. Nothing is recorded.
    </p>
  {:else}
    <ErrorText error={pot.error} />
  {/if}
</div>
