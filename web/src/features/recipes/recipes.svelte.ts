import { answer, api, fileBody, type Schema } from '../../api/client';

export type Reviewed = Schema['ReviewedOut'];

/** Recipes from elsewhere while they are looked at: what each line is, and which are taken. */
export class Recipes {
  reviewed = $state<Reviewed[]>([]);
  taken = $state<Record<string, boolean>>({});
  error = $state<unknown>(null);
  file = $state('');

  async read(file: File) {
    this.error = null;
    this.reviewed = [];
    this.file = file.name;
    try {
      this.reviewed = await answer(api.POST('/api/v1/recipes/review', fileBody(file)));
      this.taken = Object.fromEntries(
        this.reviewed.map((each) => [
          each.preparation.id,
          (each.preparation.lines ?? []).length > 0
        ])
      );
    } catch (error) {
      this.error = error;
    }
  }

  wanted = $derived(this.reviewed.filter((each) => this.taken[each.preparation.id]));

  /** The products that some line of what is taken still stands for. */
  products = $derived.by(() => {
    const items = new Set(
      this.wanted.flatMap((each) => (each.preparation.lines ?? []).map((line) => line.item))
    );
    const found = new Map(
      this.wanted.flatMap((each) => each.products).map((product) => [product.id, product])
    );
    return [...found.values()].filter((product) => items.has(product.id));
  });

  change = $derived(
    this.wanted.length === 0
      ? null
      : {
          change: 'bring_in' as const,
          products: this.products,
          preparations: this.wanted.map((each) => each.preparation)
        }
  );
}
