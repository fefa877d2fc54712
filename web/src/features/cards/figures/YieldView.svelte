<script lang="ts">
  import { type Schema } from '../../../api/client';
  import { fillingQuery } from '../../../api/queries';
  import { figure, gramsText } from '../../../lib/spoon';

  /** What goes in and comes out, where it stands in the pan, and what to fill. */
  let { figures, id, stock }: { figures: Schema['FiguresOut']; id: string; stock: boolean } =
    $props();

  const made = $derived(figures.made);
  const level = (cm: number | null) => (cm === null ? '' : `, ${figure(cm)} cm in the pan`);
  const filling = fillingQuery(() => (stock ? id : null));
</script>

<p>
  <span class="amount">{gramsText(made.grams_in)}</span> in{level(made.level_in)}
</p>
<p>
  <span class="amount">{gramsText(made.grams_out)}</span> out, {Math.round(made.per_cent)} %{level(
    made.level_out
  )}
</p>
{#if made.by_products > 0}
  <p class="text-base text-soft">
    and {gramsText(made.by_products)} of by-products
  </p>
{/if}
{#if made.unknown.length > 0}
  <p class="text-base text-clay">
    at least: no weight for {made.unknown.map((item) => item.name).join(', ')}
  </p>
{/if}
{#if figures.evaporation}
  <p class="text-base text-soft">
    steam takes about {figure(figures.evaporation.corrected)} l
    {figures.evaporation.batches > 0
      ? `by your last ${figures.evaporation.batches} batches (${figure(figures.evaporation.estimated)} l by the pan alone)`
      : 'by the pan, its lid and the time'}
  </p>
{/if}
{#if filling.data && filling.data.needed > 0}
  <p class="mt-1" data-filling>
    The dishes take {figure(filling.data.needed)} l. With a ladle to spare fill
    <b class="font-strong">{figure(filling.data.fill)} l</b>{level(filling.data.level_cm)}:
    {figure(filling.data.factor)} times the card.
  </p>
{/if}
