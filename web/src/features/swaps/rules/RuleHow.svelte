<script lang="ts">
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

<label class="block">
  <span class="text-soft">What the cook does otherwise, a step on each line</span>
  <textarea
    class="field min-h-20"
    maxlength="4000"
    value={rule.method.join('\n')}
    oninput={(event) => (rule.method = event.currentTarget.value.split('\n'))}></textarea>
</label>
<div class="mt-2 grid grid-cols-3 gap-x-6 gap-y-2 max-[700px]:grid-cols-1">
  {#each NEAR as what, at (what)}
    <label class="block">
      <span class="text-soft">How close in {what}, per cent</span>
      <input
        class="field amount"
        type="number"
        min="0"
        max="100"
        value={Math.round((rule.fidelity[at] ?? 0) * 100)}
        onchange={(event) => near(at, event.currentTarget.valueAsNumber)}
      />
    </label>
  {/each}
</div>
<details class="mt-2 border-t border-rule py-2">
  <summary class="min-h-11 cursor-pointer py-2 font-[650]">Its place, its time and cautions</summary
  >
  <div class="grid grid-cols-2 gap-x-6 gap-y-2 max-[700px]:grid-cols-1">
    <label class="block">
      <span class="text-soft">These steps come</span>
      <select class="field" bind:value={rule.when}>
        {#each words.whens as when (when)}<option value={when}>{WHEN[when] ?? when}</option>{/each}
      </select>
    </label>
    <label class="block">
      <span class="text-soft">Minutes more</span>
      <input class="field amount" type="number" min="0" max="10000" bind:value={rule.minutes} />
    </label>
    <label class="flex min-h-11 items-center gap-2">
      <input type="checkbox" class="size-5 accent-enamel" bind:checked={rule.drops} />
      drop the steps that use only the old one
    </label>
    <label class="flex min-h-11 items-center gap-2">
      <input type="checkbox" class="size-5 accent-enamel" bind:checked={rule.thinner} />
      it comes out thinner
    </label>
    <label class="flex min-h-11 items-center gap-2">
      <input type="checkbox" class="size-5 accent-enamel" bind:checked={rule.freezes} />
      it can be frozen
    </label>
    <label class="block">
      <span class="text-soft">On the spoon</span>
      <input class="field" maxlength="1000" bind:value={rule.thickness} />
    </label>
    <label class="block">
      <span class="text-soft">To mind</span>
      <input class="field" maxlength="1000" bind:value={rule.caution} />
    </label>
    <label class="block">
      <span class="text-soft">Where this is from</span>
      <input class="field" maxlength="1000" bind:value={rule.source} />
    </label>
  </div>
</details>
