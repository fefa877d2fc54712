import type { Level } from '../../api/client';
import { asWords } from '../../lib/levels';

const ORDER: Level[] = ['contains', 'may_contain', 'unchecked'];

export type Group = { level: Level; byTools: boolean; words: string[] };

/** Flags above free as words, under their level, the surest first; those that only own tools leave
 *  stand by themselves. */
export function byLevel(flags: Record<string, Level>, tools: string[] = []): Group[] {
  return ORDER.flatMap((level) =>
    [false, true].map((byTools) => ({
      level,
      byTools,
      words: Object.entries(flags)
        .filter(([flag, at]) => at === level && tools.includes(flag) === byTools)
        .map(([flag]) => asWords(flag))
    }))
  ).filter(({ words }) => words.length > 0);
}
