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

/** The levels in the order in which they are offered. */
export const LEVELS: Level[] = ['free', 'may_contain', 'unchecked', 'contains'];
