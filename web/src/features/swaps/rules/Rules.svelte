<script lang="ts">
  import { createQuery } from '@tanstack/svelte-query';
  import { answer, api, type Schema } from '../../../api/client';
  import { afterRecording, queries } from '../../../api/queries';
  import { asWords } from '../../../ui/marks/levels';
  import Button from '../../../ui/Button.svelte';
  import ErrorText from '../../../ui/ErrorText.svelte';
  import SwapPage from '../bench/SwapPage.svelte';
  import OwnRule from './OwnRule.svelte';
  import { RuleForm } from './ruleForm.svelte';
  import RuleRow from './RuleRow.svelte';

  const rules = createQuery(
    () => ({ queryKey: ['rules'], queryFn: () => answer(api.GET('/api/v1/rules')) }),
    () => queries
  );
  let words = $state('');
  const form = new RuleForm();
  let error = $state<unknown>(null);

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

  async function record(act: Promise<unknown>) {
    error = null;
    try {
      await act;
      await afterRecording();
    } catch (refusal) {
      error = refusal;
    }
  }

  const path = (rule: Rule) => ({ params: { path: { id: rule.id } } });
  const turn = (rule: Rule, off: boolean) =>
    record(answer(api.POST('/api/v1/rules/{id}/switch', { ...path(rule), body: { off } })));
  const drop = (rule: Rule) => record(answer(api.DELETE('/api/v1/rules/own/{id}', path(rule))));
</script>

<SwapPage
  title="Rules"
  told="A rule proposes; only the carried result decides. Switch off what your kitchen will not do, and add what it does."
>
  <div class="mt-3 flex flex-wrap items-end gap-4">
    <label class="block w-72">
      <span class="text-soft">Find a rule</span>
      <input class="field" autocomplete="off" bind:value={words} />
    </label>
    <Button main onclick={() => form.begin()}>A rule of our own</Button>
  </div>
  <ErrorText error={error ?? rules.error} />
  {#each functions as [name, found] (name)}
    <h2 class="mt-5 text-[20px] first-letter:uppercase">
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
  <h2 class="mt-6 text-[20px]">What no rule can clear</h2>
  <ul class="text-soft">
    {#each Object.entries(rules.data?.never_cleared ?? {}) as [flag, classes] (flag)}
      <li class="border-b border-rule py-1">
        <b class="font-[650] text-ink">{asWords(flag)}</b>: {classes.map(asWords).join(', ')}
      </li>
    {/each}
  </ul>
</SwapPage>
{#if rules.data}<OwnRule {form} words={rules.data.words} />{/if}
