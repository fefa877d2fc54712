import createClient from 'openapi-fetch';
import { PAGE } from './page';
import type { components, paths } from './schema';

export type Schema = components['schemas'];
export type Level = Schema['JarOut']['otherwise'];
export type Problem = Schema['Problem'];
export type Standing = Schema['Standing'];

export const api = createClient<paths>({ baseUrl: '/', headers: { 'X-Page': PAGE } });

/** A refusal by the server, in its own sentences. */
export class Refused extends Error {
  constructor(readonly problem: Problem) {
    super(problem.detail);
  }

  /** What stands now, where somebody else wrote in the meantime. */
  get current(): Standing | undefined {
    return this.problem.current ?? undefined;
  }
}

const UNREACHABLE: Problem = {
  type: 'about:blank',
  title: 'Out of reach',
  status: 0,
  detail: 'The application does not answer. What was recorded is kept; start it again and retry.'
};

export interface Reply<T> {
  data?: T;
  error?: unknown;
  response: Response;
}

/** The data of an answer; throws Refused for any other. */
export async function answer<T>(call: Promise<Reply<T>>): Promise<T> {
  let reply: Reply<T>;
  try {
    reply = await call;
  } catch {
    throw new Refused(UNREACHABLE);
  }
  // The device is not let in (any more): the page itself asks for the passphrase.
  if (reply.response.status === 401) location.reload();
  if (!reply.response.ok) throw new Refused((reply.error as Problem) ?? UNREACHABLE);
  return reply.data as T;
}

/** A file as the body of a request, byte for byte. */
export const fileBody = (file: Blob) => ({
  body: '',
  bodySerializer: () => file,
  headers: { 'Content-Type': 'application/octet-stream' }
});

/** What went wrong, as a sentence. */
export function sentence(error: unknown): string {
  return error instanceof Error ? error.message : String(error);
}
