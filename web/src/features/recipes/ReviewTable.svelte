<script lang="ts">
  import AmountBox from '../../ui/amount/AmountBox.svelte';
  import ItemBox from '../../ui/ItemBox.svelte';
  import type { Recipes, Reviewed } from './recipes.svelte';

  /** One recipe line by line: as it was written, what was understood, and which item it is. */
  let { recipes, recipe }: { recipes: Recipes; recipe: Reviewed } = $props();

  const lines = $derived(recipe.preparation.lines ?? []);
  const isNew = (item: string) => recipe.products.some((product) => product.id === item);
</script>

<table class="listed mt-2 w-full text-left" data-review={recipe.preparation.id}>
  <thead>
    <tr class="border-b border-edge text-base text-soft">
      <th scope="col" class="w-1/4 py-1.5 pr-3 font-normal">As it was written</th>
      <th scope="col" class="w-56 py-1.5 pr-3 text-right font-normal">Amount</th>
      <th scope="col" class="w-72 py-1.5 pr-3 font-normal">Item</th>
      <th scope="col" class="py-1.5 font-normal">To be decided</th>
    </tr>
  </thead>
  <tbody>
    {#each lines as line, index (index)}
      {@const told = recipe.lines[index]}
      <tr class="border-b border-rule align-top">
        <th scope="row" class="py-2 pr-3 font-normal">{told?.text}</th>
        <td class="py-1 pr-3">
          <AmountBox
            quantity={line.quantity}
            unit={line.unit}
            typed={line.typed ?? ''}
            label="Amount of line {index + 1} of {recipe.preparation.name}"
            onset={(quantity, unit, typed) => {
              line.quantity = quantity;
              line.unit = unit;
              line.typed = typed;
            }}
          />
        </td>
        <td class="py-1 pr-3">
          {#key line.item}
            <ItemBox
              id="review-{recipe.preparation.id}-{index}"
              label="Item of line {index + 1} of {recipe.preparation.name}"
              item={line.item}
              name={recipe.names[line.item] ?? ''}
              onnamed={(id, name) => recipes.link(recipe, index, { id, name })}
            />
          {/key}
          {#if isNew(line.item)}
            {@const plain = recipe.plain?.[line.item]}
            {#if plain && recipes.plain[line.item]}
              <p class="text-base">plain: {plain.sentence}</p>
            {:else}
              <p class="text-base text-clay">new jar, not checked</p>
            {/if}
          {:else if recipe.kinds?.[line.item]}
            <p class="text-base" data-linked>
              {recipe.kinds?.[line.item]}: {recipe.names[line.item]}
            </p>
          {/if}
          {#if line.note}<p class="text-base text-soft">{line.note}</p>{/if}
        </td>
        <td class="py-2 text-base">
          {#if told && isNew(line.item)}
            {#each told.near as near (near.id)}
              <button
                type="button"
                class="mr-3 min-h-11 underline"
                onclick={() => recipes.link(recipe, index, near)}
              >
                {near.name}
              </button>
            {:else}
              <span class="text-soft">nothing near it is in the book</span>
            {/each}
          {:else if line.typed}
            <span class="text-clay">{told?.question}</span>
          {/if}
        </td>
      </tr>
    {/each}
  </tbody>
</table>
