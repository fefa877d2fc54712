import { answer, api, type Schema } from '../../../api/client';
import { afterRecording } from '../../../api/queries';
import { announcements } from '../../../app/announce.svelte';

export type Piece = Schema['OwnRulePiece'];
export type Words = Schema['RuleWordsOut'];
type Rule = Schema['RuleOut'];

const WAIT = 200;

const blank = (): Piece => ({
  name: '',
  replaces: [],
  with: [],
  roles: [],
  stages: [],
  kinds: [],
  law: 'weight',
  ratio: 1,
  stage: null,
  not_in: [],
  only_in: [],
  colours: [],
  fidelity: [0.8, 0.8, 0.8],
  thinner: false,
  freezes: true,
  thickness: 'The same.',
  method: [],
  when: 'with',
  drops: false,
  minutes: null,
  caution: '',
  source: 'our own practice'
});

/** A rule of the kitchen's own while it is being written, and what it would do. */
export class RuleForm {
  open = $state(false);
  rule = $state<Piece>(blank());
  tried = $state<Schema['RuleTryOut'] | null>(null);
  error = $state<unknown>(null);
  #id: string | null = null;
  #waiting: ReturnType<typeof setTimeout> | undefined;

  ready = $derived(
    this.rule.name.trim() !== '' &&
      this.rule.replaces.length > 0 &&
      this.rule.roles.length > 0 &&
      this.rule.method.some((line) => line.trim() !== '')
  );
  sound = $derived(this.ready && this.tried !== null && this.tried.faults.length === 0);

  /** Opens the form for a new rule, or for one to be changed. */
  begin(rule?: Rule) {
    this.#id = rule?.id ?? null;
    this.rule = rule?.own ? { ...$state.snapshot(rule.own) } : blank();
    this.tried = this.error = null;
    this.open = true;
  }

  get asked(): Schema['OwnRuleIn'] {
    const rule = $state.snapshot(this.rule);
    const method = rule.method.map((line) => line.trim()).filter((line) => line !== '');
    return { id: this.#id, rule: { ...rule, name: rule.name.trim(), method } };
  }

  /** Asks, once the cook has stopped writing, what the rule would do. */
  try() {
    clearTimeout(this.#waiting);
    if (!this.open || !this.ready) {
      this.tried = null;
      return;
    }
    const body = this.asked;
    this.#waiting = setTimeout(async () => {
      try {
        this.tried = await answer(api.POST('/api/v1/rules/try', { body }));
        this.error = null;
      } catch (refusal) {
        this.error = refusal;
      }
    }, WAIT);
  }

  async keep() {
    try {
      await answer(api.PUT('/api/v1/rules/own', { body: this.asked }));
      announcements.say(`Recorded: ${this.rule.name}.`);
      this.open = false;
      await afterRecording();
    } catch (refusal) {
      this.error = refusal;
    }
  }
}
