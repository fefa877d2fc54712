import { answer, api, fileBody } from '../../api/client';
import type { Recipes, Reviewed } from './recipes.svelte';

/** Begins a recipe at a step: what stands from there on is read again as one of its own. */
export async function splitAt(recipes: Recipes, recipe: Reviewed, step: number) {
  const steps = recipe.preparation.method ?? [];
  const [name, ...rest] = steps.slice(step).map((each) => each.text);
  const body = new Blob([`${name}\n\n${rest.join('\n')}\n`]);
  const taken = recipes.reviewed.flatMap((each) => [
    each.preparation.id,
    ...each.products.map((product) => product.id)
  ]);
  const found = await answer(
    api.POST('/api/v1/recipes/review', {
      params: { query: { name: name ?? '', taken } },
      ...fileBody(body)
    })
  );
  recipe.preparation.method = steps.slice(0, step);
  const at = recipes.reviewed.indexOf(recipe);
  recipes.reviewed.splice(at + 1, 0, ...found);
  for (const each of found) recipes.taken[each.preparation.id] = true;
}

/** Puts a recipe behind the one before it, as a part of it under its name. */
export function joinBefore(recipes: Recipes, recipe: Reviewed) {
  const at = recipes.reviewed.indexOf(recipe);
  const before = recipes.reviewed[at - 1];
  if (!before) return;
  const group = recipe.preparation.name;
  before.preparation.lines = [
    ...(before.preparation.lines ?? []),
    ...(recipe.preparation.lines ?? []).map((line) => ({ ...line, group: line.group || group }))
  ];
  before.preparation.method = [
    ...(before.preparation.method ?? []),
    ...(recipe.preparation.method ?? [])
  ];
  before.lines = [...before.lines, ...recipe.lines];
  before.products = [...before.products, ...recipe.products];
  before.plain = { ...before.plain, ...recipe.plain };
  before.names = { ...before.names, ...recipe.names };
  recipes.reviewed.splice(at, 1);
}
