import { answer, api, fileBody, type Level, type Schema } from '../../../api/client';
import { surest } from '../../../ui/marks/levels';
import type { LabelDraft } from './labelDraft.svelte';

type Proposal = Schema['ProposalOut'];

/** A run of the label's text, with the proposals that it led to. */
export interface Run {
  text: string;
  level: Level | null;
  flags: string[];
  /** Whether the reader does not know the words. */
  strange: boolean;
}

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
  /** What a photograph gave, until somebody has compared it with the jar. */
  picture = $state.raw<Schema['PictureLabelOut'] | null>(null);
  compared = $state(false);

  /** Whether the words may be taken: those of a photograph only once they were compared. */
  get mayTake(): boolean {
    return this.picture === null || this.compared;
  }

  /** Reads a photograph; its text goes into the box, and is read as a label. */
  async photograph(file: File, label: LabelDraft) {
    this.busy = true;
    this.error = null;
    this.compared = false;
    try {
      const query = { language: this.language };
      this.picture = await answer(
        api.POST('/api/v1/labels/picture', { params: { query }, ...fileBody(file) })
      );
      label.text = this.picture.text;
      await this.ask(label.text);
    } catch (error) {
      this.error = error;
    } finally {
      this.busy = false;
    }
  }

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

  /** Every proposal as it stands. The rest counts as free only where every word was understood. */
  takeAll(label: LabelDraft) {
    for (const proposal of this.read?.proposals ?? []) this.take(label, proposal);
    label.otherwise = this.read?.complete ? 'free' : 'unchecked';
    label.evidence = 'label';
  }

  /** The text cut where words led to a proposal, or are not known. Places count code points. */
  runs = $derived.by((): Run[] => {
    const letters = [...this.text];
    const edges = new Set([0, letters.length]);
    const marks = (this.read?.proposals ?? []).flatMap((proposal) =>
      proposal.because.map((why) => ({ ...why, flag: proposal.flag, level: proposal.level }))
    );
    const doubtful = this.picture?.text === this.text ? this.picture.uncertain : [];
    const unknown = [...(this.read?.unknown ?? []), ...doubtful];
    for (const mark of [...marks, ...unknown]) edges.add(mark.start).add(mark.end);
    const places = [...edges].sort((a, b) => a - b);
    return places.slice(0, -1).map((start, index) => {
      const over = marks.filter((mark) => mark.start <= start && start < mark.end);
      const level = surest(over.map((mark) => mark.level)) ?? null;
      const text = letters.slice(start, places[index + 1]).join('');
      const strange = unknown.some((word) => word.start <= start && start < word.end);
      return { text, level, flags: [...new Set(over.map((mark) => mark.flag))], strange };
    });
  });
}
