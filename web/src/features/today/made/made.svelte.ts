import { answer, api, type Schema } from '../../../api/client';
import { Write } from '../../../api/write.svelte';

type Line = Schema['LineChoicesOut'];
type WentIn = Schema['WentInPiece'];

/** What was said of one line, where it is not as the card says. */
export interface Said {
  kind: 'maker' | 'lot' | 'batch' | 'other' | 'left_out' | 'amount';
  value: string;
  name: string;
}

/** A pot as it was made: what differs from its card, line by line, and what was added. */
export class MadePot {
  said = $state<Record<number, Said>>({});
  added = $state<{ item: string; name: string }[]>([]);
  name = $state('');
  quantity = $state<number | null>(null);
  note = $state('');
  why = $state('');
  /** The batch that is corrected; null while one is recorded anew. */
  corrected = $state.raw<Schema['BatchOut'] | null>(null);
  readonly writing = new Write(
    (body: Schema['MadeIn']) => answer(api.POST('/api/v1/batches', { body })),
    { says: (done) => `${done.name}: recorded.`, reaches: 'day' }
  );

  /** Whether anything differs from the card. */
  get differs(): boolean {
    return Object.keys(this.said).length > 0 || this.added.length > 0;
  }

  say(line: number, said: Said | null) {
    const others = Object.entries(this.said).filter(([index]) => Number(index) !== line);
    const rest: Record<number, Said> = Object.fromEntries(others);
    this.said = said === null ? rest : { ...rest, [line]: said };
  }

  add(item: string, name: string) {
    this.added = [...this.added, { item, name }];
  }

  /** Shows a batch as it was recorded, against the lines of its card. */
  load(batch: Schema['BatchOut'], lines: Line[]) {
    this.clear();
    this.corrected = batch;
    const { piece } = batch;
    this.quantity = piece.out?.quantity ?? null;
    this.note = piece.note;
    for (const { line } of piece.left_out)
      this.say(line, { kind: 'left_out', value: '', name: 'left out' });
    piece.went_in.forEach((entry, at) => {
      const line = lines.find((each) => each.line === entry.line);
      const name = batch.went_in[at]?.item.name ?? entry.item;
      if (!line) this.add(entry.item, name);
      else if (entry.item !== line.item.id)
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
    this.added = [];
    this.name = '';
    this.quantity = null;
    this.note = '';
    this.why = '';
    this.corrected = null;
    this.writing.forget();
  }

  /** What is sent of it; lines of which nothing was said are left to the card. */
  body(card: Schema['CardTodayOut'] | null): Schema['MadeIn'] {
    const lines = card?.lines ?? [];
    const factor = this.quantity && card?.quantity ? this.quantity / card.quantity : 1;
    const spoken = lines.filter((line) => this.said[line.line] !== undefined);
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
      note: this.note.trim(),
      went_in: [...went, ...this.added.map(({ item }) => ({ item }))],
      left_out: spoken
        .filter((line) => this.said[line.line]?.kind === 'left_out')
        .map((line) => ({ line: line.line, why: '' }))
    } as Schema['MadeIn'];
  }

  #entry(line: Line, factor: number): WentIn | null {
    const said = this.said[line.line];
    if (said === undefined || said.kind === 'left_out') return null;
    const amount = { quantity: line.quantity * factor, unit: line.unit };
    const plain = { line: line.line, item: line.item.id, ...amount };
    if (said.kind === 'other') return { ...plain, item: said.value };
    if (said.kind === 'amount') return { ...plain, quantity: Number(said.value) };
    return { ...plain, [said.kind]: said.value };
  }
}
