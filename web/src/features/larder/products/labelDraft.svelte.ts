import type { Level, Schema } from '../../../api/client';
import { stating } from '../../../ui/flags/stating';
import { currentUser } from '../../../api/currentUser.svelte';

type Statements = Record<string, Level>;
type Evidences = Record<string, Schema['EvidencePiece']>;
export type EvidenceKind = Schema['EvidencePiece']['kind'];
export type Papers = Record<string, Schema['PaperPiece']>;

/** What one label says: the product's own, or a maker's. */
export interface Label {
  statements?: Statements;
  otherwise?: Level;
  certificates?: string[];
  papers?: Papers;
  evidence?: Evidences;
  label?: string;
  pack?: string;
  code?: string;
}

/** A label while it is being read. Whatever is stated anew gets today's evidence. */
export class LabelDraft {
  #before = $state.raw<Label>({});
  statements = $state<Statements>({});
  otherwise = $state<Level>('unchecked');
  certificates = $state<string[]>([]);
  papers = $state<Papers>({});
  text = $state('');
  pack = $state('');
  code = $state('');
  /** Where what is stated anew comes from; empty until somebody says. */
  evidence = $state<EvidenceKind | ''>('');
  confirmed = $state(false);
  /** Takes what was read of the label and not taken yet; null where nothing waits. */
  waiting = $state.raw<(() => void) | null>(null);

  /** `before` is what is recorded, `label` what is made of it so far. */
  constructor(
    label: Label,
    readonly id: string,
    readonly name: string,
    before: Label = label
  ) {
    this.#before = before;
    this.statements = { ...label.statements };
    this.otherwise = label.otherwise ?? 'unchecked';
    this.certificates = [...(label.certificates ?? [])];
    this.papers = { ...label.papers };
    this.text = label.label ?? '';
    this.pack = label.pack ?? '';
    this.code = label.code ?? '';
  }

  get before(): Label {
    return this.#before;
  }

  state(flag: string, level: Level | null) {
    this.statements = stating(this.statements, flag, level);
  }

  certify(kind: string, held: boolean) {
    const others = this.certificates.filter((known) => known !== kind);
    this.certificates = held ? [...others, kind] : others;
    if (!held) {
      const { [kind]: _, ...rest } = this.papers;
      this.papers = rest;
    }
  }

  paper(kind: string, part: Schema['PaperPiece']) {
    this.papers = { ...this.papers, [kind]: { ...this.papers[kind], ...part } };
  }

  /** Everything on the label is as it was before, and somebody looked again today. */
  readAgain() {
    this.confirmed = true;
    this.evidence ||= 'label';
  }

  /** The label as it is to be. */
  value = $derived.by(() => ({
    statements: { ...this.statements },
    otherwise: this.otherwise,
    certificates: [...this.certificates].sort(),
    papers: { ...this.papers },
    evidence: this.#evidence(),
    label: this.text,
    pack: this.pack,
    code: this.code
  }));

  /** What it says, in one order and without its evidence, for telling whether it changed. */
  plain = $derived(plain(this.value));
  changed = $derived(this.confirmed || this.plain !== plain(this.#before));

  #evidence(): Evidences {
    const today = new Date().toLocaleDateString('sv-SE');
    const why = (kind: EvidenceKind) => ({ kind, date: today, person: currentUser.initials });
    const fresh = this.evidence && why(this.evidence);
    const before = this.#before.evidence ?? {};
    const entries = Object.entries(this.statements).flatMap(([flag, level]) => {
      const same = this.#before.statements?.[flag] === level && !this.confirmed;
      const known = before[flag];
      // What is above free is safe to take as the label's; free needs to be told its source.
      const stated = same ? known : fresh || (level === 'free' ? undefined : why('label'));
      return stated ? [[flag, stated] as const] : [];
    });
    const sameRest = this.otherwise === (this.#before.otherwise ?? 'unchecked');
    const again = this.confirmed && this.otherwise === 'free';
    const rest = sameRest && !again ? before.otherwise : fresh || undefined;
    return Object.fromEntries(rest ? [...entries, ['otherwise', rest] as const] : entries);
  }
}

function plain(label: Label): string {
  return JSON.stringify([
    Object.entries(label.statements ?? {}).sort(),
    label.otherwise ?? 'unchecked',
    [...(label.certificates ?? [])].sort(),
    Object.entries(label.papers ?? {})
      .map(([kind, paper]) => [kind, paper.number ?? '', paper.expires ?? null])
      .sort(),
    label.label ?? '',
    label.pack ?? '',
    label.code ?? ''
  ]);
}
