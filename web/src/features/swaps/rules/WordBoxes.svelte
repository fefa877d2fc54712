<script lang="ts">
  import Check from '../../../ui/Check.svelte';
  import { asWords } from '../../../lib/levels';

  /** Some of a few words, each with a box to tick. */
  let {
    label,
    words,
    chosen = $bindable()
  }: { label: string; words: string[]; chosen: string[] } = $props();

  const turned = (word: string) =>
    chosen.includes(word) ? chosen.filter((other) => other !== word) : [...chosen, word];
</script>

<fieldset>
  <legend class="text-soft">{label}</legend>
  <div class="flex flex-wrap gap-x-4">
    {#each words as word (word)}
      <Check checked={chosen.includes(word)} onchange={() => (chosen = turned(word))}
        >{asWords(word)}</Check
      >
    {/each}
  </div>
</fieldset>
