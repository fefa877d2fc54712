<script lang="ts">
  import Field from '../../../ui/Field.svelte';
  import Check from '../../../ui/Check.svelte';
  import { type Piece, type Words } from './ruleForm.svelte';

  /** What the cook does otherwise by a rule, and how near it comes. */
  let { rule = $bindable(), words }: { rule: Piece; words: Words } = $props();

  const WHEN: Record<string, string> = {
    first: 'before all else',
    with: 'where the old one went in',
    last: 'last of all'
  };
  const NEAR = ['flavour', 'texture', 'colour'];

  function near(at: number, per_cent: number) {
    const share = Math.min(Math.max(per_cent || 0, 0), 100) / 100;
    rule.fidelity = rule.fidelity.map((known, n) => (n === at ? share : known));
  }
</script>

<Field label="What the cook does otherwise, a step on each line">
  <textarea
    class="field min-h-20"
    maxlength="4000"
    value={rule.method.join('\n')}
    oninput={(event) => (rule.method = event.currentTarget.value.split('\n'))}></textarea>
</Field>
<div class="mt-2 grid grid-cols-3 gap-x-6 gap-y-2 max-phone:grid-cols-1">
  {#each NEAR as what, at (what)}
    <Field label="How close in {what}, per cent">
      <input
        class="field amount"
        type="number"
        min="0"
        max="100"
        value={Math.round((rule.fidelity[at] ?? 0) * 100)}
        onchange={(event) => near(at, event.currentTarget.valueAsNumber)}
      />
    </Field>
  {/each}
</div>
<details class="mt-2 border-t border-rule py-2">
  <summary class="min-h-11 cursor-pointer py-2 font-strong"
    >Its place, its time and cautions</summary
  >
  <div class="grid grid-cols-2 gap-x-6 gap-y-2 max-phone:grid-cols-1">
    <Field label="These steps come">
      <select class="field" bind:value={rule.when}>
        {#each words.whens as when (when)}<option value={when}>{WHEN[when] ?? when}</option>{/each}
      </select>
    </Field>
    <Field label="Minutes more">
      <input class="field amount" type="number" min="0" max="10000" bind:value={rule.minutes} />
    </Field>
    <Check bind:checked={rule.drops}>drop the steps that use only the old one</Check>
    <Check bind:checked={rule.thinner}>it comes out thinner</Check>
    <Check bind:checked={rule.freezes}>it can be frozen</Check>
    <Field label="On the spoon">
      <input class="field" maxlength="1000" bind:value={rule.thickness} />
    </Field>
    <Field label="To mind">
      <input class="field" maxlength="1000" bind:value={rule.caution} />
    </Field>
    <Field label="Where this is from">
      <input class="field" maxlength="1000" bind:value={rule.source} />
    </Field>
  </div>
</details>
