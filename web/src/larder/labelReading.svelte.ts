import { answer, api, type Level, type Schema } from '../api/client';
import type { LabelDraft } from './labelDraft.svelte';

type Proposal = Schema['ProposalOut'];

/** A run of the label's text, with the proposals that it led to. */
export interface Run {
  text: string;
  level: Level | null;
  flags: string[];
}

const RANK: Record<Level, number> = { free: 0, may_contain: 1, unchecked: 2, contains: 3 };

/** Reads the text of a label in hand; each proposal waits until a person takes it. */
export class LabelReading {
  read = $state.raw<Schema['LabelOut'] | null>(null);
  /** The text that was read: places in it stay true while somebody types on. */
  text = $state('');
  language = $state('auto');
  levels = $state<Record<string, Level>>({});
  taken = $state<string[]>([]);
  error = $state<unknown>(null);
  busy = $state(false);

  async ask(text: string) {
    this.busy = true;
    this.error = null;
    try {
      const body = { text, language: this.language };
      this.read = await answer(api.POST('/api/v1/labels/read', { body }));
      this.text = text;
      this.levels = Object.fromEntries(this.read.proposals.map((made) => [made.flag, made.level]));
      this.taken = [];
    } catch (error) {
      this.error = error;
    } finally {
      this.busy = false;
    }
  }

  correct(flag: string, level: Level) {
    this.levels = { ...this.levels, [flag]: level };
  }

  take(label: LabelDraft, proposal: Proposal) {
    label.state(proposal.flag, this.levels[proposal.flag] ?? proposal.level);
    if (!this.taken.includes(proposal.flag)) this.taken = [...this.taken, proposal.flag];
  }

  /** The lot: every proposal as it stands, and all the rest of the label as read. */
  takeAll(label: LabelDraft) {
    for (const proposal of this.read?.proposals ?? []) this.take(label, proposal);
    label.otherwise = 'free';
    label.evidence = 'label';
  }

  /** The text cut where words led to a proposal. */
  runs = $derived.by((): Run[] => {
    const edges = new Set([0, this.text.length]);
    const marks = (this.read?.proposals ?? []).flatMap((proposal) =>
      proposal.because.map((why) => ({ ...why, flag: proposal.flag, level: proposal.level }))
    );
    for (const mark of marks) edges.add(mark.start).add(mark.end);
    const places = [...edges].sort((a, b) => a - b);
    return places.slice(0, -1).map((start, index) => {
      const over = marks.filter((mark) => mark.start <= start && start < mark.end);
      const level = over.map((mark) => mark.level).sort((a, b) => RANK[b] - RANK[a])[0] ?? null;
      const text = this.text.slice(start, places[index + 1]);
      return { text, level, flags: [...new Set(over.map((mark) => mark.flag))] };
    });
  });
}
