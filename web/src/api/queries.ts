import { createQuery, QueryClient } from '@tanstack/svelte-query';
import { answer, api } from './client';

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

export const kitchenQuery = () =>
  createQuery(
    () => ({
      queryKey: ['kitchen'],
      queryFn: () => later(() => answer(api.GET('/api/v1/kitchen')))
    }),
    here
  );

/** How the backups are; asked now and then, as they are made while nobody looks. */
export const healthQuery = () =>
  createQuery(
    () => ({
      queryKey: ['health'],
      refetchInterval: 600_000,
      queryFn: () => answer(api.GET('/api/v1/health'))
    }),
    here
  );

/** How far a new kitchen is. */
export const firstStepsQuery = () =>
  createQuery(
    () => ({
      queryKey: ['first-steps'],
      queryFn: () => answer(api.GET('/api/v1/kitchen/first-steps'))
    }),
    here
  );

/** Whether photographs can be read here; that never changes while it runs. */
export const pictureReaderQuery = () =>
  createQuery(
    () => ({
      queryKey: ['picture-reader'],
      staleTime: Infinity,
      queryFn: () => answer(api.GET('/api/v1/pictures/reader'))
    }),
    here
  );

export const familyQuery = () =>
  createQuery(
    () => ({ queryKey: ['family'], queryFn: () => later(() => answer(api.GET('/api/v1/family'))) }),
    here
  );

/** Every pot against what the kitchen's law wants declared. */
export const gridQuery = () =>
  createQuery(
    () => ({ queryKey: ['grid'], queryFn: () => answer(api.GET('/api/v1/family/grid')) }),
    here
  );

export const potQuery = (id: () => string | null) =>
  createQuery(
    () => ({
      queryKey: ['pot', id()],
      enabled: id() !== null,
      queryFn: () =>
        answer(api.GET('/api/v1/preparations/{id}', { params: { path: { id: id() ?? '' } } }))
    }),
    here
  );

export const potsQuery = () =>
  createQuery(
    () => ({ queryKey: ['pots'], queryFn: () => answer(api.GET('/api/v1/preparations')) }),
    here
  );

export const jarsQuery = () =>
  createQuery(
    () => ({ queryKey: ['jars'], queryFn: () => answer(api.GET('/api/v1/products')) }),
    here
  );

export const productQuery = (id: () => string | null) =>
  createQuery(
    () => ({
      queryKey: ['product', id()],
      enabled: id() !== null,
      queryFn: () =>
        answer(api.GET('/api/v1/products/{id}', { params: { path: { id: id() ?? '' } } }))
    }),
    here
  );

export const uncheckedQuery = () =>
  createQuery(
    () => ({ queryKey: ['unchecked'], queryFn: () => answer(api.GET('/api/v1/unchecked')) }),
    here
  );

/** What only makers can answer, by maker. */
export const questionsQuery = () =>
  createQuery(
    () => ({ queryKey: ['questions'], queryFn: () => answer(api.GET('/api/v1/questions')) }),
    here
  );

/** The library of bases, as this kitchen could make them. */
export const basesQuery = () =>
  createQuery(
    () => ({ queryKey: ['bases'], queryFn: () => answer(api.GET('/api/v1/bases')) }),
    here
  );

export const goodsQuery = (wanted: () => boolean) =>
  createQuery(
    () => ({
      queryKey: ['goods'],
      enabled: wanted(),
      staleTime: Infinity,
      queryFn: () => answer(api.GET('/api/v1/goods'))
    }),
    here
  );

export const languagesQuery = () =>
  createQuery(
    () => ({
      queryKey: ['languages'],
      staleTime: Infinity,
      queryFn: () => answer(api.GET('/api/v1/labels/languages'))
    }),
    here
  );

export const toolsQuery = () =>
  createQuery(
    () => ({ queryKey: ['tools'], queryFn: () => answer(api.GET('/api/v1/tools')) }),
    here
  );

export const dayQuery = () =>
  createQuery(() => ({ queryKey: ['day'], queryFn: () => answer(api.GET('/api/v1/day')) }), here);

export const noticesQuery = () =>
  createQuery(
    () => ({ queryKey: ['notices'], queryFn: () => answer(api.GET('/api/v1/notices')) }),
    here
  );

export const codesQuery = () =>
  createQuery(
    () => ({ queryKey: ['codes'], queryFn: () => answer(api.GET('/api/v1/codes')) }),
    here
  );

export const historyQuery = (item: () => string | null) =>
  createQuery(
    () => ({
      queryKey: ['history', item()],
      queryFn: () => answer(api.GET('/api/v1/history', { params: { query: { item: item() } } }))
    }),
    here
  );

export const figuresQuery = (id: () => string | null) =>
  createQuery(
    () => ({
      queryKey: ['figures', id()],
      enabled: id() !== null,
      queryFn: () =>
        answer(api.GET('/api/v1/cards/{id}/figures', { params: { path: { id: id() ?? '' } } }))
    }),
    here
  );

/** What never changes while the application runs. */
const FIXED = new Set<unknown>(['goods', 'languages', 'thickening', 'picture-reader']);

/** What a write reaches, by the first word of a query's key; a change of the book reaches all. */
const REACHES = {
  applied: ['applied', 'rules'],
  day: ['day', 'tools'],
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
