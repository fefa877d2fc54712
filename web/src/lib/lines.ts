import type { Level, Schema } from '../api/client';
import { asWords, OWN_TOOLS } from './levels';

export type Pot = Schema['PotOut'];
export type Line = Schema['LineOut'];

export interface LineGroup {
  heading: string;
  lines: Line[];
}

const shortened = (words: string[], most: number) =>
  words.length > most ? [...words.slice(0, most), `${words.length - most} more`] : words;

/** What an item brings, in words: what is in it, what may be, and how much nobody has checked. */
export function flagWords(flags: Record<string, Level>, tools: string[] = [], most = 4): string[] {
  const at = (level: Level) => Object.keys(flags).filter((flag) => flags[flag] === level);
  const words = (some: string[], count = most) => shortened(some.map(asWords), count);
  const traces = words(at('may_contain').filter((flag) => !tools.includes(flag)));
  const byTools = words(
    at('may_contain').filter((flag) => tools.includes(flag)),
    4
  );
  const open = at('unchecked').length;
  return [
    ...words(at('contains')),
    ...(traces.length > 0 ? [`may contain ${traces.join(', ')}`] : []),
    ...(byTools.length > 0 ? [`by ${OWN_TOOLS} ${byTools.join(', ')}`] : []),
    ...(open > 0 ? [`${open} not checked`] : [])
  ];
}

const TREATED: Record<string, string> = {
  stirred_in_late: 'stirred in late',
  simmered: 'simmered',
  flamed: 'set alight',
  reduced_dry: 'reduced to nearly dry'
};

/** How a line is treated, and for how long it is in the pot. */
export function treatmentText(treatment: string, minutes: number | null): string {
  const time = minutes ? `${minutes} min` : '';
  return [TREATED[treatment] ?? (time && 'in the pot'), time].filter(Boolean).join(' ');
}

/** Lines as the pot is cooked: what goes in, choices together, what is lifted out, then the end. */
export function groupsOf(lines: Line[]): LineGroup[] {
  const groups = new Map<string, Line[]>();
  for (const line of lines) {
    const heading = headingOf(line);
    groups.set(heading, [...(groups.get(heading) ?? []), line]);
  }
  return [...groups].map(([heading, grouped]) => ({ heading, lines: grouped }));
}

function headingOf({ line }: Line): string {
  if (line.choice) return `${capital(line.choice)} · any one of`;
  if (line.group) return line.group;
  if (line.strained_out) return 'Strained out again, still carried';
  if (line.stage === 'finish') return 'At the end';
  if (line.stage === 'garnish') return 'On the plate';
  return 'In the pot';
}

const PLURALS: Record<string, string> = {
  leaf: 'leaves',
  bunch: 'bunches',
  slice: 'slices',
  clove: 'cloves',
  stalk: 'stalks',
  sprig: 'sprigs',
  head: 'heads',
  portion: 'portions'
};

/** An amount as a cook reads it. */
export function amountText(quantity: number, unit: string): string {
  const word = quantity === 1 ? unit : (PLURALS[unit] ?? unit);
  return `${Number(quantity.toFixed(2))} ${unit === 'piece' ? '' : word.replace('_', ' ')}`.trim();
}

/** How long a pot keeps, in words; empty where nobody has said. */
export function keepsText(keeps: Pot['preparation']['keeps']): string {
  const told = [
    keeps?.chilled_days && `${keeps.chilled_days} days chilled`,
    keeps?.frozen_days && `${keeps.frozen_days} days frozen`
  ].filter(Boolean);
  return told.length > 0 ? `keeps ${told.join(', ')}` : '';
}

export const capital = (text: string): string => text.charAt(0).toUpperCase() + text.slice(1);
