<script lang="ts">
  import { type Piece, type Words } from './ruleForm.svelte';
  import WordBoxes from './WordBoxes.svelte';

  /** In which pots a rule may be used; nothing ticked means in all of them. */
  let { rule = $bindable(), words }: { rule: Piece; words: Words } = $props();

  const POTS: Record<string, string> = {
    boiled: 'A pot that is boiled long',
    frozen: 'A pot that is frozen',
    acid: 'A pot that is sour',
    milk: 'A pot with milk in it',
    clear: 'A pot that is clear'
  };

  function ask(condition: string, how: string) {
    rule.only_in = rule.only_in.filter((other) => other !== condition);
    rule.not_in = rule.not_in.filter((other) => other !== condition);
    if (how === 'only') rule.only_in = [...rule.only_in, condition];
    if (how === 'not') rule.not_in = [...rule.not_in, condition];
  }
</script>

<details class="border-t border-rule py-2">
  <summary class="min-h-11 cursor-pointer py-2 font-[650]">Only in some pots</summary>
  <WordBoxes label="Kinds of pot" words={words.kinds} bind:chosen={rule.kinds} />
  <WordBoxes label="Where the line goes in" words={words.stages} bind:chosen={rule.stages} />
  <WordBoxes
    label="Colours that it is right for"
    words={words.colours}
    bind:chosen={rule.colours}
  />
  <div class="grid grid-cols-2 gap-x-6 gap-y-2 max-[43.75rem]:grid-cols-1">
    {#each words.conditions as condition (condition)}
      <label class="flex min-h-11 items-center justify-between gap-3">
        {POTS[condition] ?? condition}
        <select
          class="field !w-44"
          value={rule.only_in.includes(condition)
            ? 'only'
            : rule.not_in.includes(condition)
              ? 'not'
              : ''}
          onchange={(event) => ask(condition, event.currentTarget.value)}
        >
          <option value="">does not matter</option>
          <option value="only">only in such</option>
          <option value="not">not in such</option>
        </select>
      </label>
    {/each}
  </div>
</details>
