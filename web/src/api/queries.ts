import { createQuery, QueryClient } from '@tanstack/svelte-query';
import { answer, api, type Reply } from './client';

/**
 * One client for the whole page. A kitchen's server is in the house, often on the same machine: it
 * is asked whether or not the browser takes itself to be online.
 */
export const queries = new QueryClient({
  defaultOptions: {
    queries: { staleTime: 10_000, retry: 1, networkMode: 'always' },
    mutations: { networkMode: 'always' }
  }
});

const here = () => queries;

/** In a task of its own: on the first page, making a request takes as long as a column of it. */
const later = <T>(ask: () => Promise<T>) =>
  new Promise<void>((resolve) => setTimeout(resolve)).then(ask);

interface Settings {
  staleTime?: number;
  refetchInterval?: number;
  /** The first page of a visit asks it: its request waits for what can be drawn without it. */
  late?: boolean;
  enabled?: () => boolean;
}

/** What is asked of the server, under a name by which it is kept and asked again. */
const query = <T>(key: string, ask: () => Promise<Reply<T>>, settings: Settings = {}) => {
  const { late = false, enabled, ...rest } = settings;
  const asked = () => answer(ask());
  return createQuery(
    () => ({
      ...rest,
      queryKey: [key],
      enabled: enabled?.() ?? true,
      queryFn: () => (late ? later(asked) : asked())
    }),
    here
  );
};

/** The same of one thing; nothing is asked while there is none. */
const queryOf = <T>(key: string, id: () => string | null, ask: (id: string) => Promise<Reply<T>>) =>
  createQuery(
    () => ({
      queryKey: [key, id()],
      enabled: id() !== null,
      queryFn: () => answer(ask(id() ?? ''))
    }),
    here
  );

const one = (id: string) => ({ params: { path: { id } } });

export const kitchenQuery = () =>
  query('kitchen', () => api.GET('/api/v1/kitchen'), { late: true });

/** How the backups are; asked now and then, as they are made while nobody looks. */
export const healthQuery = () =>
  query('health', () => api.GET('/api/v1/health'), { refetchInterval: 600_000 });

/** How far a new kitchen is. */
export const firstStepsQuery = () =>
  query('first-steps', () => api.GET('/api/v1/kitchen/first-steps'));

/** Whether photographs can be read here. */
export const pictureReaderQuery = () =>
  query('picture-reader', () => api.GET('/api/v1/pictures/reader'), { staleTime: Infinity });

export const familyQuery = () => query('family', () => api.GET('/api/v1/family'), { late: true });

/** Every pot against what the kitchen's law wants declared. */
export const gridQuery = () => query('grid', () => api.GET('/api/v1/family/grid'));

export const potQuery = (id: () => string | null) =>
  queryOf('pot', id, (id) => api.GET('/api/v1/preparations/{id}', one(id)));

export const potsQuery = () => query('pots', () => api.GET('/api/v1/preparations'));

export const jarsQuery = () => query('jars', () => api.GET('/api/v1/products'));

export const productQuery = (id: () => string | null) =>
  queryOf('product', id, (id) => api.GET('/api/v1/products/{id}', one(id)));

export const uncheckedQuery = () => query('unchecked', () => api.GET('/api/v1/unchecked'));

/** What only makers can answer, by maker. */
export const questionsQuery = () => query('questions', () => api.GET('/api/v1/questions'));

/** The library of bases, as this kitchen could make them. */
export const basesQuery = () => query('bases', () => api.GET('/api/v1/bases'));

export const goodsQuery = (enabled: () => boolean) =>
  query('goods', () => api.GET('/api/v1/goods'), { enabled, staleTime: Infinity });

export const languagesQuery = () =>
  query('languages', () => api.GET('/api/v1/labels/languages'), { staleTime: Infinity });

export const toolsQuery = () => query('tools', () => api.GET('/api/v1/tools'));

export const dayQuery = () => query('day', () => api.GET('/api/v1/day'));

/** What is made today. */
export const todayQuery = () => query('today', () => api.GET('/api/v1/today'));

/** What stands there, what should be used first standing first. */
export const shelfQuery = () => query('shelf', () => api.GET('/api/v1/shelf'));

/** The card of one pot, with what may be chosen for each line today. */
export const cardTodayQuery = (id: () => string | null) =>
  queryOf('card-today', id, (id) => api.GET('/api/v1/today/{id}', one(id)));

export const batchQuery = (id: () => string | null) =>
  queryOf('batch', id, (id) => api.GET('/api/v1/batches/{id}', one(id)));

export const batchHistoryQuery = (id: () => string | null) =>
  queryOf('batch-history', id, (id) => api.GET('/api/v1/batches/{id}/history', one(id)));

/** Where something went; the key is the query as an address has it: `batch=b-1`. */
export const traceQuery = (asked: () => string | null) =>
  queryOf('trace', asked, (asked) => {
    const { plate, ...query } = Object.fromEntries(new URLSearchParams(asked));
    return plate === undefined
      ? api.GET('/api/v1/trace', { params: { query } })
      : api.GET('/api/v1/trace/plates/{plate}', { params: { path: { plate }, query } });
  });

export const noticesQuery = () => query('notices', () => api.GET('/api/v1/notices'));

export const codesQuery = () => query('codes', () => api.GET('/api/v1/codes'));

/** What was changed, of all that there is or of one item. */
export const historyQuery = (item: () => string | null) =>
  createQuery(
    () => ({
      queryKey: ['history', item()],
      queryFn: () => answer(api.GET('/api/v1/history', { params: { query: { item: item() } } }))
    }),
    here
  );

export const rulesQuery = () => query('rules', () => api.GET('/api/v1/rules'));

export const appliedPlansQuery = () => query('applied', () => api.GET('/api/v1/plans/applied'));

/** The words of the thickening bench. */
export const thickeningQuery = () => query('thickening', () => api.GET('/api/v1/thickening'));

/** Every version of a card. */
export const versionsQuery = (id: () => string) =>
  queryOf('versions', id, (id) => api.GET('/api/v1/preparations/{id}/versions', one(id)));

/** What fills a pan up, of a stock alone. */
export const fillingQuery = (id: () => string | null) =>
  queryOf('filling', id, (id) => api.GET('/api/v1/cards/{id}/filling', one(id)));

export const figuresQuery = (id: () => string | null) =>
  queryOf('figures', id, (id) => api.GET('/api/v1/cards/{id}/figures', one(id)));

/** What never changes while the application runs. */
const FIXED = new Set<unknown>(['goods', 'languages', 'thickening', 'picture-reader']);

/** What a write reaches, by the first word of a query's key; a change of the book reaches all. */
const REACHES = {
  applied: ['applied', 'rules'],
  day: ['day', 'tools', 'today', 'shelf', 'card-today', 'batch', 'batch-history', 'trace'],
  needs: ['unchecked'],
  notices: ['notices', 'codes'],
  photo: ['product'],
  rules: ['rules'],
  sign_off: ['pot', 'history', 'unchecked']
};

export type Part = 'book' | keyof typeof REACHES;

/**
 * Asks again what is on the screen of this part; what is not is asked when it is next shown. Plans
 * and previews are asked again as well, and nobody waits for them.
 */
export function askAgain(part: Part = 'book') {
  const reached = part === 'book' ? null : new Set<unknown>(REACHES[part]);
  void queries.invalidateQueries({ queryKey: ['question'] });
  return queries.invalidateQueries({
    predicate: ({ queryKey: [key] }) =>
      key !== 'question' && (reached ? reached.has(key) : !FIXED.has(key))
  });
}
