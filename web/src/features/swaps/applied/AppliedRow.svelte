<script lang="ts">
  import { answer, api, type Schema } from '../../../api/client';
  import { Write } from '../../../api/write.svelte';
  import Button from '../../../ui/Button.svelte';
  import ErrorText from '../../../ui/ErrorText.svelte';
  import { p } from '../../../app/routes';
  import TasteSheet from './TasteSheet.svelte';

  /** One plan in the book: what it says, what it made and changed, and its way back. */
  let { plan }: { plan: Schema['AppliedPlanOut'] } = $props();

  let tasting = $state(false);
  const how = {
    variant: 'small pots',
    for_all: 'for all',
    mixed: 'mixed',
    today: 'for the day only'
  } as const;

  const takingBack = new Write(
    (id: number) => {
      const path = { params: { path: { id } }, body: { why: '' } };
      return answer(api.POST('/api/v1/plans/applied/{id}/take-back', path));
    },
    { says: () => `Taken back as a whole: ${plan.item.name}.` }
  );
</script>

<li class="border-b border-rule py-3">
  <div class="flex flex-wrap items-start justify-between gap-4">
    <div class="max-w-3xl">
      <p>
        <a
          class="font-name text-name font-strong underline underline-offset-4"
          href={p('/pots/:id', { params: { id: plan.item.id } })}>{plan.item.name}</a
        >
        <span class="text-soft">{how[plan.how]}, {plan.at.slice(0, 10)}</span>
      </p>
      <p>{plan.sentence}</p>
      <p class="text-soft">
        {#if plan.made.length > 0}Made: {plan.made.map((pot) => pot.name).join('; ')}.{/if}
        {#if plan.changed.length > 0}
          Changed: {plan.changed.map((pot) => pot.name).join('; ')}.
        {/if}
        {#if plan.ended}<b class="font-strong">{plan.ended}</b>{/if}
      </p>
    </div>
    <div class="flex gap-3">
      {#if plan.rules.length > 0}<Button onclick={() => (tasting = true)}>How it tasted</Button
        >{/if}
      {#if !plan.ended}<Button disabled={takingBack.busy} onclick={() => takingBack.send(plan.id)}>
          Take it back
        </Button>{/if}
    </div>
  </div>
  <ErrorText error={takingBack.error} />
</li>
<TasteSheet {plan} bind:open={tasting} />
