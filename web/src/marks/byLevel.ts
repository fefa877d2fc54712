import type { Level } from '../api/client';
import { asWords } from './levels';

const ORDER: Level[] = ['contains', 'may_contain', 'unchecked'];

/** Flags above free as words, under their level, the surest first. */
export function byLevel(flags: Record<string, Level>): [Level, string[]][] {
  return ORDER.map((level): [Level, string[]] => [
    level,
    Object.entries(flags)
      .filter(([, at]) => at === level)
      .map(([flag]) => asWords(flag))
  ]).filter(([, words]) => words.length > 0);
}
