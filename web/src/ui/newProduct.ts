import { answer, api } from '../api/client';
import { identified } from '../api/ids';
import { askAgain } from '../api/queries';
import { announcements } from '../api/announce.svelte';
import { UNREAD } from '../lib/unread';

/** Records a product by its name alone. Nobody has read its label: everything is not checked. */
export async function newProduct(name: string): Promise<string> {
  const product = await identified({ ...UNREAD, name });
  const change = { change: 'product' as const, product };
  await answer(api.POST('/api/v1/changes', { body: { change, seen: null, why: '' } }));
  announcements.say(`${name} is in the larder now, not checked.`);
  await askAgain();
  return product.id;
}
