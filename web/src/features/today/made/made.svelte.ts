import { answer, api, type Schema } from '../../../api/client';
import { Write } from '../../../api/write.svelte';

type Line = Schema['LineChoicesOut'];
type WentIn = Schema['WentInPiece'];

/** What was said of one line, where it is not as the card says. */
export interface Said {
  kind: 'maker' | 'lot' | 'batch' | 'other' | 'left_out';
  value: string;
  name: string;
}

/** An amount as it was understood. */
export interface Amount {
  quantity: number;
  unit: string;
}

/** Something that went in and is on no line of the card. */
export interface Added {
  item: string;
  name: string;
  amount: Amount | null;
  /** The tubs, lots and batches that it was recorded from. */
  from?: Partial<WentIn>;
}

/** A pot as it was made: what differs from its card, line by line, and what was added. */
export class MadePot {
  said = $state<Record<number, Said>>({});
  /** Lines of which another amount went in than the card says. */
  amounts = $state<Record<number, Amount>>({});
  added = $state<Added[]>([]);
  name = $state('');
  quantity = $state<number | null>(null);
  /** What it came to, where somebody weighed it. */
  out = $state<Amount | null>(null);
  note = $state('');
  why = $state('');
  /** When it was made, on the kitchen's clock (`2026-12-01T08:10`); empty: just now. */
  at = $state('');
  /** What both changed where somebody else corrected the batch meanwhile. */
  conflicts = $state<string[] | null>(null);
  /** The batch that is corrected; null while one is recorded anew. */
  corrected = $state.raw<Schema['BatchOut'] | null>(null);
  readonly writing = new Write(
    (body: Schema['MadeIn']) => answer(api.POST('/api/v1/batches', { body })),
    { says: (done) => `${done.name}: recorded.`, reaches: 'day' }
  );

  readonly merging = new Write((body: Schema['MadeIn']) =>
    answer(
      api.POST('/api/v1/batches/{id}/merge', { params: { path: { id: body.id ?? '' } }, body })
    )
  );

  /** Whether anything differs from the card. */
  get differs(): boolean {
    return [this.said, this.amounts, this.added].some((part) => Object.keys(part).length > 0);
  }

  say(line: number, said: Said | null) {
    const others = Object.entries(this.said).filter(([index]) => Number(index) !== line);
    const rest: Record<number, Said> = Object.fromEntries(others);
    this.said = said === null ? rest : { ...rest, [line]: said };
  }

  weigh(line: number, amount: Amount) {
    this.amounts = { ...this.amounts, [line]: amount };
  }

  add(item: string, name: string) {
    this.added = [...this.added, { item, name, amount: null }];
  }

  drop(index: number) {
    this.added = this.added.filter((_, at) => at !== index);
  }

  /** Shows a batch as it was recorded, against the lines of its card. */
  load(batch: Schema['BatchOut'], lines: Line[]) {
    this.clear();
    this.corrected = batch;
    const { piece } = batch;
    this.out = piece.out ?? null;
    this.note = piece.note;
    this.name = piece.name ?? '';
    for (const { line } of piece.left_out)
      this.say(line, { kind: 'left_out', value: '', name: 'left out' });
    piece.went_in.forEach((entry, at) => {
      const line = lines.find((each) => each.line === entry.line);
      const name = batch.went_in[at]?.item.name ?? entry.item;
      const { quantity, unit } = entry;
      const amount = quantity != null && unit ? { quantity, unit } : null;
      if (!line) {
        const { lot, maker, batch: drawn, tub } = entry;
        const from = { lot, maker, batch: drawn, tub };
        this.added = [...this.added, { item: entry.item, name, amount, from }];
        return;
      }
      const asWritten = amount?.quantity === line.quantity && amount.unit === line.unit;
      if (amount && !asWritten) this.weigh(line.line, amount);
      if (entry.item !== line.item.id)
        this.say(line.line, { kind: 'other', value: entry.item, name });
      else {
        const kind = entry.batch ? 'batch' : entry.lot ? 'lot' : entry.maker ? 'maker' : null;
        const value = entry.batch ?? entry.lot ?? entry.maker ?? '';
        if (kind) this.say(line.line, { kind, value, name: batch.went_in[at]?.from_ ?? value });
      }
    });
  }

  clear() {
    this.said = {};
    this.amounts = {};
    this.at = '';
    this.conflicts = null;
    this.added = [];
    this.name = '';
    this.quantity = null;
    this.out = null;
    this.note = '';
    this.why = '';
    this.corrected = null;
    this.writing.forget();
    this.merging.forget();
  }

  /** Puts a correction together with what somebody else made of the batch meanwhile. */
  async merge(body: Schema['MadeIn'], lines: Line[]) {
    const found = await this.merging.send(body);
    if (found === null) return;
    const why = this.why;
    this.load(found.batch, lines);
    this.why = why;
    this.conflicts = found.conflicts;
  }

  /** What is sent of it; lines of which nothing was said are left to the card. */
  body(card: Schema['CardTodayOut'] | null): Schema['MadeIn'] {
    const lines = card?.lines ?? [];
    const factor = this.quantity && card?.quantity ? this.quantity / card.quantity : 1;
    const spoken = lines.filter(({ line }) => this.said[line] ?? this.amounts[line]);
    const went = spoken.map((line) => this.#entry(line, factor)).filter((entry) => entry !== null);
    const { piece, seen } = this.corrected ?? {};
    const kept = piece ? { id: piece.id, made: piece.made, card: piece.card, way: piece.way } : {};
    const again = piece
      ? { ...kept, seen, why: this.why.trim(), tools: piece.tools, by_products: piece.by_products }
      : {};
    return {
      ...again,
      ...(card ? { preparation: card.id } : { name: this.name.trim() }),
      factor,
      ...(this.out ? { out: this.out } : {}),
      ...(this.at && !piece ? { at: this.at } : {}),
      note: this.note.trim(),
      went_in: [
        ...went,
        ...this.added.map(({ item, amount, from }) => ({ item, ...from, ...amount }))
      ],
      left_out: spoken
        .filter((line) => this.said[line.line]?.kind === 'left_out')
        .map((line) => ({ line: line.line, why: '' }))
    } as Schema['MadeIn'];
  }

  #entry(line: Line, factor: number): WentIn | null {
    const said = this.said[line.line];
    if (said?.kind === 'left_out') return null;
    const written = { quantity: line.quantity * factor, unit: line.unit };
    const amount = this.amounts[line.line] ?? written;
    const plain = { line: line.line, item: line.item.id, ...amount };
    if (said === undefined) return plain;
    if (said.kind === 'other') return { ...plain, item: said.value };
    return { ...plain, [said.kind]: said.value };
  }
}
