<script lang="ts">
  import { kitchenQuery } from '../../api/queries';
  import { p } from '../../app/routes';
  import Disclaimer from '../../ui/Disclaimer.svelte';
  import ErrorText from '../../ui/ErrorText.svelte';
  import Field from '../../ui/Field.svelte';
  import GoalBox from '../../ui/GoalBox.svelte';
  import OpenNeeds from '../../ui/OpenNeeds.svelte';
  import Page from '../../ui/Page.svelte';
  import { GuestQuestion } from './guest.svelte';
  import PlateList from './PlateList.svelte';

  /** What can this guest have: as it is, with a swap, after asking, or not at all. */
  const kitchen = kitchenQuery();
  const question = new GuestQuestion();
  const plates = $derived(question.plates?.plates ?? []);
  const served = (serving: string) => plates.filter((plate) => plate.serving === serving);
  const swapped = $derived(served('change').filter((each) => question.plan(each.plate)?.sentence));
  const not = $derived(
    served('change').filter((each) => question.plan(each.plate)?.sentence === null)
  );
  const open = $derived(served('change').filter((each) => !question.plan(each.plate)));
</script>

<Page
  title="What can this guest have?"
  told="Every plate of the kitchen for one need: as it is, with a swap, after asking, or not."
>
  <div class="flex flex-wrap items-end gap-x-6">
    <GoalBox holder={question} kitchen={kitchen.data} />
    <Field label="As" class="w-40">
      <select class="field" bind:value={question.strictness}>
        {#each kitchen.data?.strictness ?? [] as word (word)}<option value={word}>{word}</option
          >{/each}
      </select>
    </Field>
  </div>
  {#if question.goals.length === 0}
    <OpenNeeds
      onask={(goals, need) => {
        question.strictness = need.strictness ?? 'allergy';
        question.goals = goals;
      }}
    />
  {/if}
  <ErrorText error={question.error} />
  {#if question.plates}
    <p class="sr-only" aria-live="polite">{served('as_it_is').length} plates as they are</p>
    <div class="mt-3 grid grid-cols-2 gap-x-10 gap-y-5 max-desk:grid-cols-1" data-guest>
      <PlateList title="As it is" serving="as_it_is" plates={served('as_it_is')} />
      <PlateList
        title="With a swap"
        serving="swap"
        plates={[...swapped, ...open]}
        told={(id) =>
          question.plan(id)?.sentence ?? (question.busy ? 'looking for a swap' : 'ask the bench')}
        link={(id) => `${p('/pots/:id/swaps', { params: { id } })}?${question.search}`}
      />
      <PlateList title="Ask first" serving="ask" plates={served('ask')} />
      <PlateList title="Not" serving="not" plates={not} />
    </div>
    <div class="mt-4"><Disclaimer /></div>
  {/if}
</Page>
