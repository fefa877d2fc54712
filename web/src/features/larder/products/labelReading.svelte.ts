import { answer, api, fileBody, type Level, type Schema } from '../../../api/client';
import { surest } from '../../../lib/levels';
import { Photograph } from '../../../ui/pictures/photograph.svelte';
import type { LabelDraft } from './labelDraft.svelte';

type Proposal = Schema['FlagProposal'];

/** A run of the label's text, with the proposals that it led to. */
export interface Run {
  text: string;
  start: number;
  end: number;
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
  /** Whether a person has looked for the kitchen's own flags that no word of the label names. */
  lookedForOwn = $state(false);
  error = $state<unknown>(null);
  busy = $state(false);
  readonly photo: Photograph;

  #label: LabelDraft | null;

  /** `use` takes the words of a photograph into the box; `label` is what is read for, if one is. */
  constructor(use: (text: string) => void, label: LabelDraft | null = null) {
    this.#label = label;
    this.photo = new Photograph(
      (file, frame) => {
        const query = { language: this.language, ...frame };
        return answer(api.POST('/api/v1/labels/picture', { params: { query }, ...fileBody(file) }));
      },
      (found) => {
        use(found.text);
        return this.ask(found.text);
      }
    );
  }

  /** Whether the words may be taken: those of a photograph only once they were compared. */
  get mayTake(): boolean {
    return this.photo.settled;
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
      this.lookedForOwn = false;
      // Recorded as they stand, its flags would go unmentioned: recording takes them.
      if (this.#label) {
        const label = this.#label;
        const waits = this.mayTake && this.read.proposals.length > 0;
        label.waiting = waits ? () => this.takeRead(label) : null;
      }
    } catch (error) {
      this.error = error;
    } finally {
      this.busy = false;
    }
  }

  correct(flag: string, level: Level) {
    this.levels = { ...this.levels, [flag]: level };
  }

  /** Proposals that words of the label led to. */
  named = $derived(this.read?.proposals.filter((each) => each.because.length > 0) ?? []);
  /** The kitchen's own flags that no word names: nobody has told the reader what brings them. */
  unnamed = $derived(this.read?.proposals.filter((each) => each.because.length === 0) ?? []);

  /** Every proposal as it stands, and nothing of the rest. */
  takeRead(label: LabelDraft) {
    for (const proposal of this.read?.proposals ?? []) this.take(label, proposal);
    label.evidence ||= 'label';
  }

  take(label: LabelDraft, proposal: Proposal) {
    label.waiting = null;
    const unnamed = proposal.because.length === 0;
    const level = unnamed && this.lookedForOwn ? 'free' : this.levels[proposal.flag];
    label.state(proposal.flag, level ?? proposal.level);
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
    const found = this.photo.found;
    const doubtful = found?.text === this.text ? found.uncertain : [];
    const unknown = [...(this.read?.unknown ?? []), ...doubtful];
    for (const mark of [...marks, ...unknown]) edges.add(mark.start).add(mark.end);
    const places = [...edges].sort((a, b) => a - b);
    return places.slice(0, -1).map((start, index) => {
      const over = marks.filter((mark) => mark.start <= start && start < mark.end);
      const level = surest(over.map((mark) => mark.level)) ?? null;
      const end = places[index + 1] ?? letters.length;
      const text = letters.slice(start, end).join('');
      const strange = unknown.some((word) => word.start <= start && start < word.end);
      return {
        text,
        start,
        end,
        level,
        flags: [...new Set(over.map((mark) => mark.flag))],
        strange
      };
    });
  });

  /** What is marked of the photograph's words between two places. */
  mark = (start: number, end: number) => {
    if (this.photo.found?.text !== this.text) return { level: null, doubtful: false };
    const over = this.runs.filter((run) => run.start < end && start < run.end);
    return {
      level: surest(over.flatMap((run) => run.level ?? [])) ?? null,
      doubtful: over.some((run) => run.strange)
    };
  };
}
