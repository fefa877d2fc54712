<script lang="ts">
  import Button from '../../ui/Button.svelte';
  import ErrorText from '../../ui/ErrorText.svelte';
  import Field from '../../ui/Field.svelte';
  import { joinBefore, splitAt } from './parting';
  import Check from '../../ui/Check.svelte';
  import type { Recipes, Reviewed } from './recipes.svelte';
  import ReviewTable from './ReviewTable.svelte';

  /** One of the recipes that were pasted: taken or not, and line by line where somebody wants to look. */
  let { recipes, recipe }: { recipes: Recipes; recipe: Reviewed } = $props();

  let error = $state<unknown>(null);

  async function split(step: number) {
    error = null;
    try {
      await splitAt(recipes, recipe, step);
    } catch (refused) {
      error = refused;
    }
  }

  const id = $derived(recipe.preparation.id);
  const count = (n: number, word: string) => `${n} ${word}${n === 1 ? '' : 's'}`;
</script>

<section class="border-t border-rule py-2" aria-label={recipe.preparation.name}>
  <Check class="gap-3" bind:checked={recipes.taken[id]}
    ><span class="strip-name text-name">{recipe.preparation.name}</span>
    <span class="text-soft">
      {recipe.preparation.kind}, {count(recipe.lines.length, 'line')},
      {count((recipe.preparation.method ?? []).length, 'step')}
    </span></Check
  >
  {#each recipe.notes as note (note)}<p class="text-clay">{note}</p>{/each}
  {#if recipes.taken[id]}
    <details>
      <summary class="min-h-11 cursor-pointer py-2 text-soft">Line by line</summary>
      <ReviewTable {recipes} {recipe} />
      <div class="mt-2 flex flex-wrap items-end gap-3">
        <Field label="Its name" class="w-96 max-w-full">
          <input class="field" maxlength="200" bind:value={recipe.preparation.name} />
        </Field>
        {#if recipes.reviewed.indexOf(recipe) > 0}
          <Button onclick={() => joinBefore(recipes, recipe)}>Join it to the one above</Button>
        {/if}
      </div>
      <ErrorText {error} />
      <ol class="mt-2 list-decimal pl-8">
        {#each recipe.preparation.method ?? [] as step, at (at)}
          <li>
            {step.text}
            <span class="text-soft">
              {[step.minutes ? `${step.minutes} min` : '', step.heat ?? '']
                .filter(Boolean)
                .join(', ')}
            </span>
            <button
              type="button"
              class="min-h-11 underline underline-offset-4"
              aria-label="a recipe begins here, at step {at + 1}"
              onclick={() => void split(at)}>a recipe begins here</button
            >
          </li>
        {/each}
      </ol>
    </details>
  {/if}
</section>
