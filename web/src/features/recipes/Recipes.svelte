<script lang="ts">
  import { amountsRead } from '../../ui/amount/reading';
  import Scroll from '../../ui/Scroll.svelte';
  import Button from '../../ui/Button.svelte';
  import ErrorText from '../../ui/ErrorText.svelte';
  import RecordFoot from '../../ui/impact/RecordFoot.svelte';
  import { Recording } from '../../ui/impact/recording.svelte';
  import { navigate } from '../../app/routes';
  import Doubts from './Doubts.svelte';
  import RecipePart from './RecipePart.svelte';
  import { Recipes } from './recipes.svelte';
  import UnsaidList from './UnsaidList.svelte';
  import RecipesIn from './RecipesIn.svelte';

  /** Recipes in from elsewhere, looked at together, and out to other programs. */
  const recipes = new Recipes();
  const recording = new Recording();

  const unread = $derived(recipes.products.filter((each) => !recipes.plain[each.id]).length);

  $effect(() => recording.preview(recipes.change));

  async function record() {
    if (await amountsRead()) return;
    const change = recipes.change;
    if (!change) return;
    const first = change.preparations[0]?.id ?? '';
    const alone = change.preparations.length === 1;
    const act = {
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

<div class="grid h-full grid-cols-[minmax(0,1fr)] grid-rows-[minmax(0,1fr)_auto]">
  <Scroll label="Recipes in and out" class="min-h-0 px-5 pt-4 max-phone:px-3">
    <h1 class="text-title">Recipes in and out</h1>
    {#if recipes.reviewed.length === 0}
      {#if recipes.aside > 0}
        <p class="mt-2 flex flex-wrap items-center gap-3" data-aside>
          {recipes.aside}
          {recipes.aside === 1 ? 'recipe was' : 'recipes were'} put away.
          <Button onclick={() => recipes.takeUp()}>Take them up again</Button>
        </p>
      {/if}
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
          <Button onclick={() => recipes.putAway()}>Put them away</Button>
        </div>
        {#each recipes.reviewed as recipe (recipe.preparation.id)}
          <RecipePart {recipes} {recipe} />
        {/each}
      </section>
    {:else}
      <section class="mt-6 border-t border-rule pt-3" aria-labelledby="out">
        <h2 id="out" class="text-lead">Out to other programs</h2>
        <div class="mt-2 flex flex-wrap gap-3">
          <Button href="/api/v1/recipes.jsonld">Save all cards as recipes</Button>
          <Button href="/api/v1/book.csv">Save the book as a table</Button>
        </div>
      </section>
    {/if}
  </Scroll>
  {#if recipes.reviewed.length > 0}
    <div class="border-t border-rule bg-sheet px-5 py-2 max-phone:px-3">
      <p class="text-soft">
        {unread}
        new {unread === 1 ? 'product' : 'products'}, not checked until somebody reads a label{recipes
          .products.length > unread
          ? `; ${recipes.products.length - unread} plain`
          : ''}.
      </p>
      <RecordFoot {recording} folded onrecord={record} />
    </div>
  {/if}
</div>
