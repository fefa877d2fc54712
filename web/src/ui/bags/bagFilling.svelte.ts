import { answer, api, sentence, type Schema } from '../../api/client';
import { jarsQuery } from '../../api/queries';
import { announcements } from '../../api/announce.svelte';
import { Recording } from '../impact/recording.svelte';

/** Two taps from a pot or a product: into which bag it, or what is left of it, goes. */
export class BagFilling {
  #jars = jarsQuery();
  #recording = new Recording();
  #items: () => Schema['Named'][];

  constructor(items: () => Schema['Named'][]) {
    this.#items = items;
  }

  /** Every item with every bag that it can go into; a bag goes not into itself. */
  choices = $derived.by(() => {
    const items = this.#items();
    const bags = (this.#jars.data?.entries ?? []).filter(
      (jar) => jar.is_bag && !items.some((item) => item.id === jar.id)
    );
    return items.flatMap((item) => bags.map((bag) => ({ item, bag })));
  });

  async put(bag: string, item: string) {
    const params = { path: { id: bag } };
    try {
      const { version } = await answer(api.GET('/api/v1/products/{id}', { params }));
      await this.#recording.record({ change: 'addition', bag, item }, version);
      if (this.#recording.error) announcements.say(sentence(this.#recording.error));
    } catch (refusal) {
      announcements.say(sentence(refusal));
    }
  }
}
