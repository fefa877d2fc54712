import { answer, api, fileBody, type Schema } from '../../api/client';
import { pastedPutAway, forgetPutAway, keepPasted, keptPasted, putAway } from './keptPasted';

export type Reviewed = Schema['ReviewedOut'];
type Line = NonNullable<Reviewed['preparation']['lines']>[number];

/** Goods that are new, with what they may be instead and the recipes that name them. */
export interface NewGood {
  id: string;
  name: string;
  near: Schema['Named'][];
  recipes: string[];
  /** What recording it as a plain single food would state; null where it cannot be one. */
  plain: Schema['PlainOut'] | null;
}

/** A line whose amount was not understood. */
export interface Doubt {
  recipe: Reviewed;
  line: Line;
  index: number;
  text: string;
  question: string;
}

/**
 * Recipes from elsewhere while they are looked at: what each line is, and which are taken. Kept in
 * the browser until they are recorded or put away, so that leaving loses nothing.
 */
export class Recipes {
  reviewed = $state<Reviewed[]>([]);
  taken = $state<Record<string, boolean>>({});
  sources = $state<string[]>([]);
  error = $state<unknown>(null);
  busy = $state(false);

  constructor() {
    const kept = keptPasted();
    if (kept) [this.reviewed, this.taken, this.sources] = [kept.reviewed, kept.taken, kept.sources];
    $effect(() =>
      keepPasted({
        reviewed: $state.snapshot(this.reviewed) as Reviewed[],
        taken: $state.snapshot(this.taken),
        sources: $state.snapshot(this.sources)
      })
    );
  }

  /** Reads files one after another, beside what is being looked at already. */
  async read(files: Iterable<File>) {
    this.error = null;
    this.busy = true;
    for (const file of files)
      await this.#review(file, file.name.replace(/\.[^.]+$/, ''), file.name);
    this.busy = false;
  }

  /** Reads a pasted text. */
  async paste(text: string) {
    this.error = null;
    this.busy = true;
    await this.#review(new Blob([text]), '', 'a pasted text');
    this.busy = false;
    return this.error === null;
  }

  async #review(content: Blob, name: string, source: string) {
    const query = { name, taken: this.reviewed.map((each) => each.preparation.id) };
    try {
      const found = await answer(
        api.POST('/api/v1/recipes/review', { params: { query }, ...fileBody(content) })
      );
      for (const each of found)
        this.taken[each.preparation.id] = (each.preparation.lines ?? []).length > 0;
      this.reviewed.push(...found);
      this.sources = [...new Set([...this.sources, source])];
    } catch (error) {
      this.error = error;
    }
  }

  /** How many recipes were put aside and can be taken up again. */
  aside = $state(pastedPutAway()?.reviewed.length ?? 0);

  /** Puts the recipes aside. */
  putAway() {
    putAway({
      reviewed: $state.snapshot(this.reviewed) as Reviewed[],
      taken: $state.snapshot(this.taken),
      sources: $state.snapshot(this.sources)
    });
    this.aside = this.reviewed.length;
    this.clear();
  }

  /** Takes up again what was put aside. */
  takeUp() {
    const kept = pastedPutAway();
    if (kept) [this.reviewed, this.taken, this.sources] = [kept.reviewed, kept.taken, kept.sources];
    forgetPutAway();
    this.aside = 0;
  }

  /** Forgets everything: it is recorded, or put aside. */
  clear() {
    this.reviewed = [];
    this.taken = {};
    this.sources = [];
    this.plain = {};
    this.error = null;
    // At once: the page may be left before an effect runs.
    keepPasted({ reviewed: [], taken: {}, sources: [] });
  }

  wanted = $derived(this.reviewed.filter((each) => this.taken[each.preparation.id]));

  /** The products that some line of what is taken still stands for. */
  products = $derived.by(() => {
    const items = new Set(this.#lines.map(({ line }) => line.item));
    const found = new Map(
      this.wanted.flatMap((each) => each.products).map((product) => [product.id, product])
    );
    return [...found.values()].filter((product) => items.has(product.id));
  });

  /** New goods, each once for all recipes, those first that something in the book is near to. */
  goods = $derived.by((): NewGood[] => {
    const found = this.products.map((product) => {
      const own = this.#lines.filter(({ line }) => line.item === product.id);
      const near = own.flatMap(({ recipe, index }) => recipe.lines[index]?.near ?? []);
      return {
        id: product.id,
        name: product.name,
        near: [...new Map(near.map((each) => [each.id, each])).values()],
        plain: own.map(({ recipe }) => recipe.plain?.[product.id]).find(Boolean) ?? null,
        recipes: [...new Set(own.map(({ recipe }) => recipe.preparation.name))]
      };
    });
    return found.sort((one, other) => other.near.length - one.near.length);
  });

  /** New goods that somebody takes for plain single foods, by their ids. */
  plain = $state<Record<string, boolean>>({});

  takeAllPlain() {
    for (const good of this.goods) if (good.plain) this.plain[good.id] = true;
  }

  doubts = $derived(
    this.#lines.flatMap(({ recipe, line, index }): Doubt[] => {
      const told = recipe.lines[index];
      if (!line.typed || !told?.question || told.question.startsWith('Which item')) return [];
      return [{ recipe, line, index, text: told.text, question: told.question }];
    })
  );

  get #lines() {
    return this.wanted.flatMap((recipe) =>
      (recipe.preparation.lines ?? []).map((line, index) => ({ recipe, line, index }))
    );
  }

  /** Takes something of the book for a new good, in every recipe that names it. */
  choose(good: string, item: Schema['Named']) {
    for (const { recipe, line, index } of this.#lines)
      if (line.item === good) this.link(recipe, index, item);
  }

  /** Links a line to an item. All that the line says is kept with it as its note. */
  link(recipe: Reviewed, index: number, item: Schema['Named']) {
    const line = recipe.preparation.lines?.[index];
    if (!line || line.item === item.id) return;
    recipe.names[item.id] = item.name;
    line.item = item.id;
    line.note = recipe.lines[index]?.words ?? line.note;
  }

  /** Lines with words besides their item, which may name another food. */
  noted = $derived(this.#lines.filter(({ line }) => Boolean(line.note)));

  change = $derived(
    this.wanted.length === 0
      ? null
      : {
          change: 'bring_in' as const,
          products: this.products,
          plain: this.products.map((each) => each.id).filter((id) => this.plain[id]),
          preparations: this.wanted.map((each) => each.preparation)
        }
  );
}
