import { answer, api } from './client';

/** A piece with an id: its own, or for a new one an id that nothing has yet. */
export async function identified<T extends { id: string; name: string }>(piece: T): Promise<T> {
  if (piece.id !== '') return piece;
  const query = { name: piece.name };
  const { id } = await answer(api.GET('/api/v1/free-id', { params: { query } }));
  return { ...piece, id };
}
