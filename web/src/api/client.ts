import createClient from 'openapi-fetch';
import type { components, paths } from './schema';

export type Schema = components['schemas'];
export type Level = Schema['JarOut']['otherwise'];
export type Problem = Schema['Problem'];

export const api = createClient<paths>({ baseUrl: '/' });

/** A refusal by the server, in its own sentences. */
export class Refused extends Error {
  constructor(readonly problem: Problem) {
    super(problem.detail);
  }

  /** What stands now, where somebody else wrote in the meantime. */
  get current(): Standing | undefined {
    return this.problem.current as Standing | undefined;
  }
}

/** What stands instead of what was seen; without content where it was removed. */
export interface Standing {
  id: string;
  version: number | null;
  content?: Schema['ProductPiece'] | Schema['PreparationPiece'];
}

const UNREACHABLE: Problem = {
  type: 'about:blank',
  title: 'Out of reach',
  status: 0,
  detail: 'The application does not answer. What was recorded is kept; start it again and retry.'
};

/** The data of an answer; throws Refused for any other. */
export async function answer<T>(call: Promise<{ data?: T; error?: unknown }>): Promise<T> {
  let result: { data?: T; error?: unknown };
  try {
    result = await call;
  } catch {
    throw new Refused(UNREACHABLE);
  }
  if (result.data === undefined) throw new Refused((result.error as Problem) ?? UNREACHABLE);
  return result.data;
}

/** What went wrong, as a sentence. */
export function sentence(error: unknown): string {
  return error instanceof Error ? error.message : String(error);
}
