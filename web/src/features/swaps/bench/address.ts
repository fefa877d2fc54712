import { asWords } from '../../../lib/levels';
import type { Goal } from '../../../ui/goals';
import { noLimits, type Bench, type Limits } from './bench.svelte';

const SWITCHES = ['keep_colour', 'keep_thickness', 'freezes', 'products_only'] as const;
const MAX_GOALS = 40;

/** The question of a bench as the search part of its address, so that it can be sent to somebody. */
export function searchOf(bench: Bench): string {
  const found = new URLSearchParams();
  for (const goal of bench.goals) found.append(goal.what, goal.id);
  for (const [id, name] of Object.entries(bench.others)) found.append('and', `${id} ${name}`);
  for (const key of SWITCHES) if (bench.limits[key]) found.append('limit', key);
  if (bench.limits.most_pots !== null) found.set('pots', String(bench.limits.most_pots));
  if (bench.covers !== null) found.set('covers', String(bench.covers));
  const search = found.toString();
  return bench.goals.length > 0 && search ? `?${search}` : '';
}

/** Puts the question that an address holds to a bench; what it does not know is passed over. */
export function askFrom(search: string, bench: Bench) {
  const asked = new URLSearchParams(search);
  const goals: Goal[] = [];
  for (const [what, id] of asked)
    if (what === 'clear' || what === 'fit') goals.push({ what, id, name: asWords(id) });
  if (goals.length === 0) return;
  bench.goals = goals.slice(0, MAX_GOALS);
  const limits: Limits = noLimits();
  for (const key of SWITCHES) limits[key] = asked.getAll('limit').includes(key);
  const pots = Number(asked.get('pots'));
  if (pots >= 1 && pots <= 6) limits.most_pots = pots;
  bench.limits = limits;
  const covers = asked.get('covers');
  if (covers !== null) bench.covers = Number(covers) >= 1 ? Math.round(Number(covers)) : null;
  for (const entry of asked.getAll('and')) {
    const [id = '', ...name] = entry.split(' ');
    bench.also(id, name.join(' ') || asWords(id));
  }
}
