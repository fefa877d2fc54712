import type { Schema } from '../api/client';

export const ROLES = [
  'thickener',
  'fat',
  'liquid',
  'body',
  'aromatic',
  'seasoning',
  'enrichment',
  'acid',
  'topping',
  'accompaniment'
];

export const blank = () => ({
  name: '',
  role: 'thickener',
  replaces: '',
  with: '',
  ratio: 1,
  near: 80,
  method: ''
});

/** The form as a rule; its id is made of its name. */
export function asRule(form: ReturnType<typeof blank>): Schema['RulePiece'] {
  const id = form.name
    .toLowerCase()
    .normalize('NFD')
    .replace(/[^a-z0-9]+/g, '-')
    .replace(/^-|-$/g, '');
  const near = Math.min(Math.max(form.near, 0), 100) / 100;
  return {
    id: `own-${id || 'rule'}`,
    name: form.name.trim(),
    replaces: [form.replaces.trim()],
    roles: [form.role],
    with_: form.with.trim() ? [form.with.trim()] : [],
    stages: [],
    kinds: [],
    law: 'weight',
    ratio: form.ratio > 0 ? form.ratio : 1,
    not_in: [],
    only_in: [],
    colours: [],
    flavour: near,
    texture: near,
    colour: near,
    thinner: false,
    freezes: true,
    thickness: 'The same.',
    method: form.method.split('\n').filter((line) => line.trim() !== ''),
    when: 'with',
    drops: false,
    caution: '',
    source: 'our own practice'
  };
}
