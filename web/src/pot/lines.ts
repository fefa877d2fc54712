import type { Schema } from '../api/client';

export type Pot = Schema['PotOut'];
export type Line = Schema['LineOut'];

export interface LineGroup {
  heading: string;
  lines: Line[];
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

export const capital = (text: string): string => text.charAt(0).toUpperCase() + text.slice(1);
