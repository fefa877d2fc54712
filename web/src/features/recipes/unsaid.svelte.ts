import { answer, api, fileBody, type Schema } from '../../api/client';
import { AsyncState } from '../../lib/asyncState.svelte';
import type { Recipes, Reviewed } from './recipes.svelte';

/** Words of a line that its item does not say, until somebody has answered for them. */
export interface Unsaid {
  recipe: Reviewed;
  index: number;
  item: string;
  text: string;
  flags: readonly string[];
}

/** What the lines of what was pasted name besides the items that they are linked to, and its answers. */
export class UnsaidWords {
  #recipes: Recipes;
  #asked = new AsyncState<Schema['UnsaidFood'][][]>({ keeps: true });
  error = $state<unknown>(null);

  constructor(recipes: Recipes) {
    this.#recipes = recipes;
    $effect(() => {
      const lines = recipes.noted.map(({ line }) => ({ words: line.note ?? '', item: line.item }));
      this.#asked.ask(() => answer(api.POST('/api/v1/recipes/unsaid', { body: { lines } })));
    });
  }

  open = $derived.by((): Unsaid[] => {
    const noted = this.#recipes.noted;
    const found = this.#asked.value ?? [];
    if (found.length !== noted.length) return [];
    return noted.flatMap(({ recipe, line, index }, at) =>
      (found[at] ?? [])
        .filter((food) => !this.#answered(recipe, food.text))
        .map((food) => ({ recipe, index, item: recipe.names[line.item] ?? '', ...food }))
    );
  });

  /** Whether somebody has refused the words, or a line of the recipe was written for them. */
  #answered(recipe: Reviewed, words: string): boolean {
    const refused = recipe.preparation.not_in_it ?? [];
    const named = recipe.lines.map((line) => line.text.toLowerCase());
    return refused.includes(words) || named.includes(words.toLowerCase());
  }

  /** Somebody looked: the words are not in the pot. */
  refuse({ recipe, text }: Unsaid) {
    recipe.preparation.not_in_it = [...(recipe.preparation.not_in_it ?? []), text];
  }

  /** A line of its own for the words, beside the one that holds them or in its place (`either`). */
  async addLine({ recipe, index, text }: Unsaid, either = false) {
    this.error = null;
    try {
      const taken = this.#recipes.reviewed.map((each) => each.preparation.id);
      const products = this.#recipes.reviewed.flatMap((each) => each.products);
      const query = { taken: [...taken, ...products.map((product) => product.id)] };
      const body = new Blob([`A card\n\nIngredients:\n${text}`]);
      const [found] = await answer(
        api.POST('/api/v1/recipes/review', { params: { query }, ...fileBody(body) })
      );
      const line = found?.preparation.lines?.[0];
      const told = found?.lines[0];
      const before = recipe.preparation.lines?.[index];
      if (!found || !line || !told || !before) return;
      const choice = either ? before.choice || text : null;
      if (choice) before.choice = choice;
      recipe.preparation.lines = [...(recipe.preparation.lines ?? []), { ...line, choice }];
      recipe.lines = [...recipe.lines, { ...told, text }];
      recipe.products = [...recipe.products, ...found.products];
      Object.assign(recipe.names, found.names);
    } catch (refused) {
      this.error = refused;
    }
  }
}
