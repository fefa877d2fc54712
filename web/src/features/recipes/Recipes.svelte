<script lang="ts">
  import Field from '../../ui/Field.svelte';
  import Check from '../../ui/Check.svelte';
  import { amountsRead } from '../cards/edit/reading';
  import Button from '../../ui/Button.svelte';
  import ErrorText from '../../ui/ErrorText.svelte';
  import { currentUser } from '../people/currentUser.svelte';
  import RecordFoot from '../impact/RecordFoot.svelte';
  import { Recording } from '../impact/recording.svelte';
  import { navigate } from '../../app/routes';
  import { Recipes } from './recipes.svelte';
  import ReviewTable from './ReviewTable.svelte';

  /** Recipes out to other programs and in from them, looked at line by line. */
  const recipes = new Recipes();
  const recording = new Recording();

  $effect(() => recording.preview(recipes.change));

  async function record() {
    if (await amountsRead()) return;
    const change = recipes.change;
    if (!change) return;
    const first = change.preparations[0]?.id ?? '';
    const act = { person: currentUser.initials, why: `from ${recipes.file}` };
    if (await recording.record(change, null, act))
      void navigate('/pots/:id', { params: { id: first } });
  }
</script>

<svelte:head><title>Recipes in and out · Yellow Ladle</title></svelte:head>

<div class="h-full overflow-y-auto px-5 pt-4">
  <h1 class="text-title">Recipes in and out</h1>
  <div class="mt-3 flex flex-wrap items-end gap-3">
    <Field label="A recipe file or a saved page (schema.org, JSON-LD)">
      <input
        type="file"
        class="field py-2"
        accept=".json,.jsonld,.html,.htm,application/ld+json,application/json,text/html"
        onchange={(event) => {
          const file = event.currentTarget.files?.[0];
          if (file) void recipes.read(file);
        }}
      />
    </Field>
    <Button href="/api/v1/recipes.jsonld">Save all cards as recipes</Button>
    <Button href="/api/v1/book.csv">Save the book as a table</Button>
  </div>
  <ErrorText error={recipes.error} />
  {#each recipes.reviewed as recipe (recipe.preparation.id)}
    <section class="mt-5 border-t border-edge pt-3" aria-label={recipe.preparation.name}>
      <Check class="gap-3" bind:checked={recipes.taken[recipe.preparation.id]}
        ><span class="strip-name text-name">{recipe.preparation.name}</span>
        <span class="text-soft">
          {recipe.preparation.kind}, {recipe.lines.length} lines,
          {(recipe.preparation.method ?? []).length} steps
        </span></Check
      >
      {#each recipe.notes as note (note)}<p class="text-clay">{note}</p>{/each}
      {#if recipes.taken[recipe.preparation.id]}<ReviewTable {recipe} />{/if}
    </section>
  {/each}
  {#if recipes.reviewed.length > 0}
    <div class="sticky bottom-0 mt-4 border-t border-rule bg-porcelain py-3">
      <p class="text-base text-soft">
        {recipes.products.length} new
        {recipes.products.length === 1 ? 'product' : 'products'}, not checked until somebody reads a
        label.
      </p>
      <RecordFoot {recording} onrecord={record} />
    </div>
  {/if}
</div>
