import type { Level, Schema } from '../api/client';
import { stating } from '../flags/stating';

export type Product = Schema['ProductPiece'];
export type EvidenceKind = Schema['EvidencePiece']['kind'];

const EMPTY: Product = {
  id: '',
  name: '',
  class: 'other',
  statements: {},
  otherwise: 'unchecked',
  certificates: [],
  evidence: {}
};
const PERSON = 'yellow-ladle-person';

/** Numbers of a product that a label or a scale tells, with their units. */
export const NUMBERS = [
  ['salt_g_per_100g', 'Salt, g in 100 g'],
  ['abv_percent', 'Alcohol, % vol'],
  ['so2_mg_per_kg', 'Total SO2, mg/kg'],
  ['density_g_per_ml', 'Density, g/ml'],
  ['unit_weight_g', 'One piece, g']
] as const;

export type NumberField = (typeof NUMBERS)[number][0];

/** A product while its label is being read. Whatever is stated anew gets today's evidence. */
export class ProductDraft {
  #before = $state.raw<Product>(EMPTY);
  name = $state('');
  className = $state('');
  statements = $state<Record<string, Level>>({});
  otherwise = $state<Level>('unchecked');
  certificates = $state<string[]>([]);
  numbers = $state<Partial<Record<NumberField, number | null>>>({});
  evidence = $state<EvidenceKind>('label');
  person = $state(localStorage.getItem(PERSON) ?? '');

  begin(product?: Product) {
    const piece = product ?? EMPTY;
    this.#before = piece;
    this.name = piece.name;
    this.className = piece.class;
    this.statements = { ...piece.statements };
    this.otherwise = piece.otherwise ?? 'unchecked';
    this.certificates = [...(piece.certificates ?? [])];
    this.numbers = Object.fromEntries(NUMBERS.map(([field]) => [field, piece[field] ?? null]));
  }

  /** Goes on from what somebody else recorded: theirs, with what was changed here on top. */
  rebase(theirs: Product) {
    const before = this.#before;
    const mine = Object.entries(this.statements).filter(
      ([flag, level]) => before.statements[flag] !== level
    );
    const taken = Object.keys(before.statements).filter((flag) => !(flag in this.statements));
    const kept = Object.entries(theirs.statements).filter(([flag]) => !taken.includes(flag));
    const sameName = this.name === before.name;
    const sameRest = this.otherwise === before.otherwise;
    this.#before = theirs;
    this.statements = Object.fromEntries([...kept, ...mine]);
    if (sameName) this.name = theirs.name;
    if (sameRest) this.otherwise = theirs.otherwise;
  }

  state(flag: string, level: Level | null) {
    this.statements = stating(this.statements, flag, level);
  }

  certify(kind: string, held: boolean) {
    const others = this.certificates.filter((known) => known !== kind);
    this.certificates = held ? [...others, kind] : others;
  }

  /** The product as it is to be; null while it has no name. */
  piece = $derived.by((): Product | null => {
    if (this.name.trim() === '' || this.className === '') return null;
    return {
      ...this.#before,
      ...this.numbers,
      name: this.name.trim(),
      class: this.className,
      statements: { ...this.statements },
      otherwise: this.otherwise,
      certificates: [...this.certificates].sort(),
      evidence: this.#evidence()
    };
  });

  /** Whether anything differs from what is recorded. */
  changed = $derived(
    this.piece !== null && JSON.stringify(plain(this.piece)) !== JSON.stringify(plain(this.#before))
  );

  #evidence() {
    const today = new Date().toLocaleDateString('sv-SE');
    const fresh = { kind: this.evidence, date: today, person: this.person.trim() || null };
    const before = this.#before.evidence ?? {};
    const entries = Object.entries(this.statements).flatMap(([flag, level]) => {
      const same = this.#before.statements?.[flag] === level;
      const known = before[flag];
      return same ? (known ? [[flag, known] as const] : []) : [[flag, fresh] as const];
    });
    const rest = this.otherwise === this.#before.otherwise ? before.otherwise : fresh;
    return Object.fromEntries(rest ? [...entries, ['otherwise', rest] as const] : entries);
  }

  /** Keeps who is reading labels on this machine. */
  remember() {
    localStorage.setItem(PERSON, this.person);
  }
}

/** What a product says, in one order and without its evidence, for telling whether it changed. */
function plain(product: Product) {
  return [
    product.name,
    product.class,
    Object.entries(product.statements ?? {}).sort(),
    product.otherwise,
    [...(product.certificates ?? [])].sort(),
    NUMBERS.map(([field]) => product[field] ?? null)
  ];
}
