import { answer, api, type Schema } from '../../../api/client';
import { Write } from '../../../api/write.svelte';
import { AsyncState } from '../../../lib/asyncState.svelte';
import { KeptDraft } from '../../../lib/keptDraft';

export type Piece = Schema['OwnRulePiece'];
export type Words = Schema['RuleWordsOut'];
type Rule = Schema['RuleOut'];

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
  source: 'our own practice',
  adds: [],
  most: 1,
  named: [],
  voids: [],
  not_named: false
});

/** A rule of the kitchen's own while it is being written, and what it would do. */
export class RuleForm {
  open = $state(false);
  rule = $state<Piece>(blank());
  #tried = new AsyncState<Schema['RuleTryOut']>({ rest: 200 });
  #keeping = new Write(
    (body: Schema['OwnRuleIn']) => answer(api.PUT('/api/v1/rules/own', { body })),
    { says: (_, { rule }) => `Recorded: ${rule.name}.`, reaches: 'rules' }
  );
  #id: string | null = null;
  #seen: number | null = null;
  #begun = '';
  #kept = new KeptDraft<Piece>('rule', '');

  /** What the rule would do, and what is wrong with it. */
  get tried(): Schema['RuleTryOut'] | null {
    return this.#tried.value;
  }

  get error(): unknown {
    return this.#keeping.error ?? this.#tried.error;
  }

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
    this.#seen = rule?.version ?? null;
    const begun = rule?.own ? { ...$state.snapshot(rule.own) } : blank();
    this.#begun = JSON.stringify(begun);
    this.#kept = new KeptDraft<Piece>('rule', rule?.id ?? '');
    this.rule = this.#kept.read() ?? begun;
    this.#tried.clear();
    this.#keeping.forget();
    this.open = true;
  }

  get asked(): Schema['OwnRuleIn'] {
    const rule = $state.snapshot(this.rule);
    const method = rule.method.map((line) => line.trim()).filter((line) => line !== '');
    return { id: this.#id, seen: this.#seen, rule: { ...rule, name: rule.name.trim(), method } };
  }

  /** Asks, once the cook has stopped writing, what the rule would do. */
  try() {
    this.#keepDraft();
    if (!this.open || !this.ready) return this.#tried.clear();
    const body = this.asked;
    this.#tried.ask(() => answer(api.POST('/api/v1/rules/try', { body })));
  }

  async keep() {
    if (!(await this.#keeping.send(this.asked))) return;
    this.#kept.forget();
    this.open = false;
  }

  /** What is half written stays in this browser, also where the sheet is closed. */
  #keepDraft() {
    if (!this.open) return;
    const now = $state.snapshot(this.rule);
    if (JSON.stringify(now) === this.#begun) this.#kept.forget();
    else this.#kept.keep(now);
  }
}
