import type { Schema } from '../../../api/client';
import { UNREAD, type Product } from '../../../lib/unread';
import { LabelDraft } from './labelDraft.svelte';

type Part = Schema['PartPiece'];

/** Numbers of a product that a label or a scale tells, with their units. */
export const NUMBERS = [
  ['salt_g_per_100g', 'Salt, g in 100 g'],
  ['abv_percent', 'Alcohol, % vol'],
  ['so2_mg_per_kg', 'Total SO2, mg/kg'],
  ['price_per_kg', 'Price of a kilo'],
  ['density_g_per_ml', 'Density, g/ml'],
  ['unit_weight_g', 'One piece, g']
] as const;

export type NumberField = (typeof NUMBERS)[number][0];

/** A product while its labels are being read: its own, and one for each maker. */
export class ProductDraft {
  #before = $state.raw<Product>(UNREAD);
  // What other pages write of a product; here it goes through as it is.
  #bag = $state.raw<Product['bag']>(null);
  #inUse = $state.raw<Product['in_use']>(null);
  #makers = $state.raw<NonNullable<Product['makers']>>([]);
  name = $state('');
  className = $state('');
  numbers = $state<Partial<Record<NumberField, number | null>>>({});
  parts = $state<Part[]>([]);
  isBag = $state(false);
  voices = $state.raw<LabelDraft[]>([new LabelDraft(UNREAD, '', '')]);
  chosen = $state('');

  /** What this began from. */
  get before(): Product {
    return this.#before;
  }

  /** Begins from what is recorded; `now` is what was made of it already, merged with theirs. */
  begin(product: Product = UNREAD, now: Product = product) {
    const piece = now;
    this.#before = product;
    this.name = piece.name;
    this.className = piece.class ?? '';
    this.numbers = Object.fromEntries(NUMBERS.map(([field]) => [field, piece[field] ?? null]));
    this.parts = (piece.parts ?? []).map((part) => ({ ...part }));
    this.isBag = piece.bag != null;
    this.#bag = piece.bag ?? null;
    this.#inUse = piece.in_use ?? null;
    const makers = (this.#makers = piece.makers ?? []);
    const recorded = new Map((product.makers ?? []).map((maker) => [maker.id, maker]));
    this.voices = [
      new LabelDraft(piece, '', piece.name, product),
      ...makers.map(
        (maker) => new LabelDraft(maker, maker.id, maker.name, recorded.get(maker.id) ?? {})
      )
    ];
    if (!this.voices.some((voice) => voice.id === this.chosen) || this.chosen === '')
      this.chosen = makers[0]?.id ?? '';
  }

  /** The label that is in hand: a maker's, or the product's own where it has no makers. */
  get label(): LabelDraft {
    return this.voices.find((voice) => voice.id === this.chosen) ?? (this.voices[0] as LabelDraft);
  }

  /** Begins from a common good; its label decides, so nothing of it counts as checked. */
  startFrom(good: Schema['GoodOut']) {
    const { statements, class: className } = good.product;
    this.name ||= good.name;
    this.className = className ?? '';
    this.numbers = Object.fromEntries(
      NUMBERS.map(([field]) => [field, good.product[field] ?? null])
    );
    for (const [flag, level] of Object.entries(statements ?? {})) this.label.state(flag, level);
  }

  /** A plain single food: what it brings is contained, everything else free. */
  markPlain(flags: string[]) {
    for (const flag of flags) this.label.state(flag, 'contains');
    this.label.otherwise = 'free';
    this.label.evidence = 'plain_food';
  }

  /** The product as it is to be; null while it has no name. */
  piece = $derived.by((): Product | null => {
    if (this.name.trim() === '') return null;
    const [own, ...makers] = this.voices as [LabelDraft, ...LabelDraft[]];
    return {
      ...this.#before,
      ...this.numbers,
      ...own.value,
      name: this.name.trim(),
      class: this.className || null,
      parts: this.parts.filter((part) => part.product !== ''),
      bag: this.isBag ? (this.#bag ?? { additions: [] }) : null,
      in_use: this.#inUse,
      makers: makers.map((maker) => ({
        ...this.#makers.find((known) => known.id === maker.id),
        id: maker.id,
        name: maker.name,
        ...maker.value
      }))
    };
  });

  /** Whether anything differs from what is recorded. */
  changed = $derived(
    this.piece !== null &&
      (this.voices.some((voice) => voice.changed) ||
        JSON.stringify(rest(this.piece)) !== JSON.stringify(rest(this.#before)))
  );
}

function rest(product: Product) {
  return [
    product.name,
    product.class ?? null,
    NUMBERS.map(([field]) => product[field] ?? null),
    (product.parts ?? []).map((part) => [part.product, part.percent ?? null]),
    product.bag ?? null,
    product.in_use ?? null,
    (product.makers ?? []).map((maker) => [maker.id, maker.so2_mg_per_kg ?? null])
  ];
}
