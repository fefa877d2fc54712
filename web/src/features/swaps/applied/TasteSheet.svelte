<script lang="ts">
  import { untrack } from 'svelte';
  import { KeptForm } from '../../../lib/keptForm.svelte';
  import Field from '../../../ui/Field.svelte';
  import { answer, api, type Schema } from '../../../api/client';
  import { Write } from '../../../api/write.svelte';
  import Button from '../../../ui/Button.svelte';
  import Sheet from '../../../ui/Sheet.svelte';
  import ErrorText from '../../../ui/ErrorText.svelte';

  /** A verdict on a tried plan; it takes the place of its rules' own figures in this kitchen. */
  let { plan, open = $bindable() }: { plan: Schema['AppliedPlanOut']; open: boolean } = $props();

  const words = { 1: 'the same', 0.9: 'nearly', 0.75: 'close', 0.5: 'another thing', 0.2: 'poor' };
  const scale = [1, 0.9, 0.75, 0.5, 0.2] as const;
  const parts = ['flavour', 'texture', 'colour'] as const;
  const form = untrack(
    () =>
      new KeptForm('taste', String(plan.id), {
        verdict: { flavour: 0.9, texture: 0.9, colour: 0.9 },
        note: ''
      })
  );
  let chosen = $derived(plan.rules.map((rule) => rule.id));

  const tasting = new Write(
    () => {
      const { verdict, note } = form.fields;
      const body = { ...verdict, rules: chosen, note, item: plan.item.id };
      return answer(api.POST('/api/v1/rules/verdict', { body }));
    },
    { says: () => 'Recorded. These figures count here from now on.', reaches: 'applied' }
  );

  async function keep() {
    if (!(await tasting.send(undefined))) return;
    form.clear();
    open = false;
  }
</script>

<Sheet bind:open title="How it tasted">
  <ErrorText error={tasting.error} />
  {#each parts as part (part)}
    <label class="mb-2 block">
      <span class="text-soft">{part[0]?.toUpperCase()}{part.slice(1)}</span>
      <select class="field" bind:value={form.fields.verdict[part]}>
        {#each scale as value (value)}<option {value}>{words[value]}</option>{/each}
      </select>
    </label>
  {/each}
  <fieldset class="mb-2">
    <legend class="text-soft">Of which swaps</legend>
    {#each plan.rules as rule (rule.id)}
      <label class="flex min-h-11 items-center gap-2">
        <input type="checkbox" class="size-5 accent-enamel" value={rule.id} bind:group={chosen} />
        {rule.name}
      </label>
    {/each}
  </fieldset>
  <Field label="A note that comes up next time">
    <input
      class="field"
      maxlength="1000"
      placeholder="too sweet with the leeks"
      bind:value={form.fields.note}
    />
  </Field>
  {#snippet foot()}
    <Button main disabled={chosen.length === 0 || tasting.busy} onclick={keep}>Record it</Button>
  {/snippet}
</Sheet>
