import type { Level } from '../../api/client';

type Statements = Record<string, Level>;

/** Statements with one flag at a level, or without it where the level is null. */
export function stating(statements: Statements, flag: string, level: Level | null): Statements {
  const { [flag]: _, ...rest } = statements;
  return level === null ? rest : { ...rest, [flag]: level };
}
