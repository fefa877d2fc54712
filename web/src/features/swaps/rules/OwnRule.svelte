<script lang="ts">
  import Field from '../../../ui/Field.svelte';
  import Button from '../../../ui/Button.svelte';
  import Sheet from '../../../ui/Sheet.svelte';
  import ErrorText from '../../../ui/ErrorText.svelte';
  import ClassBox from './ClassBox.svelte';
  import { type RuleForm, type Words } from './ruleForm.svelte';
  import RuleAdds from './RuleAdds.svelte';
  import RuleHow from './RuleHow.svelte';
  import RuleWhere from './RuleWhere.svelte';
  import WordBoxes from './WordBoxes.svelte';

  /** A rule of the kitchen's own, with a live example on one of its pots. */
  let { form, words }: { form: RuleForm; words: Words } = $props();

  const LAWS: Record<string, string> = {
    weight: 'by weight',
    volume: 'by volume',
    thickening: 'as much as thickens the same',
    fat: 'the same amount of fat',
    acid: 'as sour'
  };

  $effect(() => {
    void JSON.stringify(form.asked);
    form.try();
  });
</script>

<Sheet bind:open={form.open} title="A rule of our own" wide>
  <ErrorText error={form.error} />
  <div class="grid grid-cols-2 gap-x-6 gap-y-2 max-phone:grid-cols-1">
    <label class="col-span-full block">
      <span class="text-soft">Name</span>
      <input class="field" maxlength="200" bind:value={form.rule.name} />
    </label>
    <ClassBox label="Instead of" classes={words.classes} bind:chosen={form.rule.replaces} />
    <ClassBox
      label="Use (nothing: leave it out)"
      classes={words.classes}
      bind:chosen={form.rule.with}
    />
    <div class="col-span-full">
      <WordBoxes label="In the role of" words={words.roles} bind:chosen={form.rule.roles} />
    </div>
    <Field label="How its amount is found">
      <select class="field" bind:value={form.rule.law}>
        {#each words.laws as law (law)}<option value={law}>{LAWS[law] ?? law}</option>{/each}
      </select>
    </Field>
    <Field label="How much for one of the old">
      <input
        class="field amount"
        type="number"
        min="0.01"
        step="any"
        bind:value={form.rule.ratio}
      />
    </Field>
  </div>
  {#if form.rule.with.length > 0}<RuleAdds bind:rule={form.rule} {words} />{/if}
  <div class="mt-2"><RuleHow bind:rule={form.rule} {words} /></div>
  <RuleWhere bind:rule={form.rule} {words} />
  {#snippet foot()}
    <div class="mb-2 min-h-26" aria-live="polite">
      {#each form.tried?.faults ?? [] as fault (fault)}
        <p class="text-brick">{fault}.</p>
      {/each}
      {#if form.sound}
        {#each form.tried?.claims ?? [] as claim (claim)}
          <p class="font-strong text-clay">This does not hold. {claim}.</p>
        {/each}
        <p class="text-soft">On your own pots:</p>
        {#each form.tried?.examples ?? [] as example (example)}<p>{example}</p>{:else}
          <p>No line of the book is spoken of yet.</p>
        {/each}
      {/if}
    </div>
    <Button main disabled={!form.sound} onclick={() => form.keep()}>Record it</Button>
  {/snippet}
</Sheet>
