<script lang="ts">
  import Field from '../../../ui/Field.svelte';
  import { answer, api, type Schema } from '../../../api/client';
  import { rulesQuery } from '../../../api/queries';
  import { Write } from '../../../api/write.svelte';
  import { asWords } from '../../../lib/levels';
  import Button from '../../../ui/Button.svelte';
  import ErrorText from '../../../ui/ErrorText.svelte';
  import SwapPage from '../bench/SwapPage.svelte';
  import OwnRule from './OwnRule.svelte';
  import { RuleForm } from './ruleForm.svelte';
  import RuleRow from './RuleRow.svelte';

  const rules = rulesQuery();
  let words = $state('');
  const form = new RuleForm();

  type Rule = Schema['RuleOut'];
  const functions = $derived.by(() => {
    const found = new Map<string, Rule[]>();
    for (const rule of rules.data?.rules ?? []) {
      const text = [rule.name, ...rule.replaces, ...rule.with_].join(' ').toLowerCase();
      if (text.includes(words.toLowerCase()))
        found.set(rule.function, [...(found.get(rule.function) ?? []), rule]);
    }
    return [...found];
  });

  const writing = new Write((act: () => Promise<unknown>) => act(), { reaches: 'rules' });
  const turn = ({ id, version }: Rule, off: boolean) =>
    writing.send(() => {
      const body = { off, seen: version };
      return answer(api.POST('/api/v1/rules/{id}/switch', { params: { path: { id } }, body }));
    });
  const drop = ({ id, version }: Rule) =>
    writing.send(() => {
      const params = { path: { id }, query: { seen: version ?? 0 } };
      return answer(api.DELETE('/api/v1/rules/own/{id}', { params }));
    });
</script>

<SwapPage
  title="Rules"
  told="A rule proposes; only the carried result decides. Switch off what your kitchen will not do, and add what it does."
>
  <div class="mt-3 flex flex-wrap items-end gap-4">
    <Field label="Find a rule" class="w-72 max-w-full">
      <input class="field" autocomplete="off" bind:value={words} />
    </Field>
    <Button main onclick={() => form.begin()}>A rule of our own</Button>
  </div>
  <ErrorText error={writing.error ?? rules.error} />
  {#each functions as [name, found] (name)}
    <h2 class="mt-5 text-name first-letter:uppercase">
      {name === 'own' ? 'Our own' : asWords(name)}
    </h2>
    <ul>
      {#each found as rule (rule.id)}
        <RuleRow
          {rule}
          onturn={(off) => turn(rule, off)}
          onchange={() => form.begin(rule)}
          ondrop={() => drop(rule)}
        />
      {/each}
    </ul>
  {/each}
  <h2 class="mt-6 text-name">What no rule can clear</h2>
  <ul class="text-soft">
    {#each Object.entries(rules.data?.never_cleared ?? {}) as [flag, classes] (flag)}
      <li class="border-b border-rule py-1">
        <b class="font-strong text-ink">{asWords(flag)}</b>: {classes.map(asWords).join(', ')}
      </li>
    {/each}
  </ul>
</SwapPage>
{#if rules.data}<OwnRule {form} words={rules.data.words} />{/if}
