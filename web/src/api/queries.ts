import { createQuery, QueryClient } from '@tanstack/svelte-query';
import { answer, api } from './client';

/** One client for the whole page; everything read is asked again after something is recorded. */
export const queries = new QueryClient({
  defaultOptions: { queries: { staleTime: 10_000, retry: 1 } }
});

const here = () => queries;

export const kitchenQuery = () =>
  createQuery(
    () => ({ queryKey: ['kitchen'], queryFn: () => answer(api.GET('/api/v1/kitchen')) }),
    here
  );

export const familyQuery = () =>
  createQuery(
    () => ({ queryKey: ['family'], queryFn: () => answer(api.GET('/api/v1/family')) }),
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

/** Everything is asked again: a change may reach any pot. */
export const afterRecording = () => queries.invalidateQueries();
