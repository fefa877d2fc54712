<script lang="ts">
  import { amountsRead } from '../cards/edit/reading';
  import Button from '../../ui/Button.svelte';
  import ErrorText from '../../ui/ErrorText.svelte';
  import { currentUser } from '../people/currentUser.svelte';
  import RecordFoot from '../impact/RecordFoot.svelte';
  import { Recording } from '../impact/recording.svelte';
  import { navigate } from '../../app/routes';
  import Doubts from './Doubts.svelte';
  import RecipePart from './RecipePart.svelte';
  import { Recipes } from './recipes.svelte';
  import UnsaidList from './UnsaidList.svelte';
  import RecipesIn from './RecipesIn.svelte';

  /** Recipes in from elsewhere, looked at as one batch, and out to other programs. */
  const recipes = new Recipes();
  const recording = new Recording();

  $effect(() => recording.preview(recipes.change));

  async function record() {
    if (await amountsRead()) return;
    const change = recipes.change;
    if (!change) return;
    const first = change.preparations[0]?.id ?? '';
    const alone = change.preparations.length === 1;
    const act = {
      person: currentUser.initials,
      why: `from ${recipes.sources.join(', ')}`,
      stands: () => recipes.clear()
    };
    if (await recording.record(change, null, act)) {
      if (alone) void navigate('/pots/:id', { params: { id: first } });
      else void navigate('/');
    }
  }
</script>

<svelte:head><title>Recipes in and out · Yellow Ladle</title></svelte:head>

<div class="h-full overflow-y-auto px-5 pt-4">
  <h1 class="text-title">Recipes in and out</h1>
  {#if recipes.reviewed.length === 0}
    <RecipesIn {recipes} />
  {:else}
    <details class="mt-2">
      <summary class="min-h-11 cursor-pointer py-2 text-soft">More recipes</summary>
      <RecipesIn {recipes} />
    </details>
  {/if}
  <ErrorText error={recipes.error} />
  {#if recipes.reviewed.length > 0}
    <Doubts {recipes} />
    <UnsaidList {recipes} />
    <section class="mt-5" aria-labelledby="read">
      <div class="flex flex-wrap items-baseline justify-between gap-x-4">
        <h2 id="read" class="text-lead">
          {recipes.reviewed.length}
          {recipes.reviewed.length === 1 ? 'recipe' : 'recipes'} read
        </h2>
        <Button onclick={() => recipes.clear()}>Put them away</Button>
      </div>
      {#each recipes.reviewed as recipe (recipe.preparation.id)}
        <RecipePart {recipes} {recipe} />
      {/each}
    </section>
    <div class="sticky bottom-0 mt-4 border-t border-rule bg-porcelain py-3">
      <p class="text-soft">
        {recipes.products.length} new
        {recipes.products.length === 1 ? 'product' : 'products'}, not checked until somebody reads a
        label.
      </p>
      <RecordFoot {recording} folded onrecord={record} />
    </div>
  {:else}
    <section class="mt-6 border-t border-rule pt-3" aria-labelledby="out">
      <h2 id="out" class="text-lead">Out to other programs</h2>
      <div class="mt-2 flex flex-wrap gap-3">
        <Button href="/api/v1/recipes.jsonld">Save all cards as recipes</Button>
        <Button href="/api/v1/book.csv">Save the book as a table</Button>
      </div>
    </section>
  {/if}
</div>
