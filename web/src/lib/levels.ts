import type { Level } from '../api/client';

const WORDS: Record<Level, string> = {
  contains: 'contains',
  may_contain: 'may contain',
  unchecked: 'not checked',
  free: 'free'
};

/** A level in words. */
export const levelWord = (level: Level): string => WORDS[level];

/** An id of several words as it is read: `brazil_nut` as `brazil nut`. */
export const asWords = (id: string): string => id.replaceAll('_', ' ').replaceAll('-', ' ');

/** What is said of a trace that only the kitchen's own tools leave. */
export const OWN_TOOLS = 'own tools';

/** A flag as it is read, with a word for a trace that only own tools leave. */
export const flagWord = (flag: string, tools: readonly string[] = []): string =>
  tools.includes(flag) ? `${asWords(flag)} (${OWN_TOOLS})` : asWords(flag);

/** The levels in their order, the surest last. */
export const LEVELS: Level[] = ['free', 'may_contain', 'unchecked', 'contains'];

/** The surest of some levels; undefined where there is none. */
export const surest = (levels: readonly Level[]): Level | undefined =>
  LEVELS.findLast((level) => levels.includes(level));
