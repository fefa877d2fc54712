<script lang="ts">
  import Button from '../../ui/Button.svelte';
  import Check from '../../ui/Check.svelte';
  import WriterNote from '../../ui/WriterNote.svelte';
  import ItemBox from '../../ui/ItemBox.svelte';
  import AmountBox from '../../ui/amount/AmountBox.svelte';
  import type { Recipes } from './recipes.svelte';

  /** What has to be decided, once for all that was pasted: new goods, and amounts that are not clear. */
  let { recipes }: { recipes: Recipes } = $props();
</script>

{#if recipes.goods.length > 0}
  <section class="mt-5" aria-labelledby="new-goods">
    <h2 id="new-goods" class="text-lead">New goods, for all recipes at once</h2>
    <p class="text-soft">
      Each becomes a new product, not checked until somebody reads its label, unless it is one that
      you have.
    </p>
    {#if recipes.goods.some((good) => good.plain && !recipes.plain[good.id])}
      <div class="mt-1 flex flex-wrap items-center gap-3">
        <Button onclick={() => recipes.takeAllPlain()}>Take the plain foods as plain</Button>
        <WriterNote />
      </div>
    {/if}
    <ul class="mt-1" data-goods>
      {#each recipes.goods as good (good.id)}
        <li
          class="grid grid-cols-[minmax(0,1fr)_minmax(0,2fr)] gap-x-4 border-t border-rule py-2 max-phone:grid-cols-1"
        >
          <div>
            <b class="font-strong">{good.name}</b>
            <span class="block text-soft">{good.recipes.join(', ')}</span>
            {#if good.plain}
              <Check bind:checked={recipes.plain[good.id]}>plain: {good.plain.sentence}</Check>
            {:else}
              <span class="block text-clay">new jar, not checked</span>
            {/if}
          </div>
          <div class="flex flex-wrap items-center gap-x-4">
            {#each good.near.slice(0, 3) as near (near.id)}
              <button
                type="button"
                class="min-h-11 underline underline-offset-4"
                aria-label="{good.name} is {near.name}"
                onclick={() => recipes.choose(good.id, near)}>{near.name}</button
              >
            {/each}
            <div class="flex min-w-64 flex-1 items-center gap-2">
              <label class="whitespace-nowrap text-soft" for="good-{good.id}">or find it</label>
              {#key good.id}
                <ItemBox
                  id="good-{good.id}"
                  label="Find what {good.name} is"
                  item=""
                  onnamed={(id, name) => recipes.choose(good.id, { id, name })}
                />
              {/key}
            </div>
          </div>
        </li>
      {/each}
    </ul>
  </section>
{/if}
{#if recipes.doubts.length > 0}
  <section class="mt-5" aria-labelledby="doubts">
    <h2 id="doubts" class="text-lead">Amounts that are not clear</h2>
    <ul class="mt-1" data-doubts>
      {#each recipes.doubts as doubt (doubt.recipe.preparation.id + doubt.index)}
        <li
          class="grid grid-cols-[minmax(0,1fr)_14rem_minmax(0,1fr)] gap-x-4 border-t border-rule py-2 max-phone:grid-cols-1"
        >
          <p>
            “{doubt.text}”
            <span class="block text-soft">{doubt.recipe.preparation.name}</span>
          </p>
          <AmountBox
            quantity={doubt.line.quantity}
            unit={doubt.line.unit}
            typed={doubt.line.typed ?? ''}
            label="Amount of “{doubt.text}”"
            onset={(quantity, unit, typed) => {
              doubt.line.quantity = quantity;
              doubt.line.unit = unit;
              doubt.line.typed = typed;
            }}
          />
          <p class="text-clay">{doubt.question}</p>
        </li>
      {/each}
    </ul>
  </section>
{/if}
