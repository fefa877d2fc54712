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

/** Everything is asked again: a change may reach any pot. */
export const afterRecording = () => queries.invalidateQueries();
