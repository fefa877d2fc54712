<script lang="ts">
  import type { Schema } from '../../../api/client';
  import NumberView from './NumberView.svelte';
  import { figure, minutesText } from '../../../lib/spoon';
  import ThicknessView from './ThicknessView.svelte';
  import YieldView from './YieldView.svelte';

  /** The numbers of a pot, each with what it comes from. */
  let { figures, id, kind }: { figures: Schema['FiguresOut']; id: string; kind: string } = $props();

  const shown = $derived(
    figures.numbers.filter(
      (number) =>
        number.name === 'salt_g_per_100g' ||
        (number.name === 'alcohol_percent' && (number.value > 0.0005 || number.at_least))
    )
  );
  const minutes = $derived(
    [
      figures.active_minutes && `${minutesText(figures.active_minutes)} hands-on`,
      figures.passive_minutes && `${minutesText(figures.passive_minutes)} unattended`
    ]
      .filter(Boolean)
      .join(', ')
  );
</script>

<dl class="mt-1 grid gap-3">
  {#if figures.thickness}
    <div>
      <dt class="text-base text-soft">On the spoon</dt>
      <dd><ThicknessView thickness={figures.thickness} /></dd>
    </div>
  {/if}
  {#each shown as number (number.name)}
    <div>
      <NumberView {number} portions={figures.portions} />
      {#if number.name === 'salt_g_per_100g' && figures.salt.pinch_more > figures.salt.already}
        <dd class="text-base text-soft">
          a pinch more makes {figures.salt.pinch_more.toFixed(3)} g from {figures.salt.already.toFixed(
            3
          )} g
        </dd>
      {/if}
    </div>
  {/each}
  {#if figures.sulphites}
    <div data-sulphites>
      <dt class="text-base text-soft">Sulphites</dt>
      <dd class="text-base">{figures.sulphites.sentence}</dd>
    </div>
  {/if}
  <div>
    <dt class="text-base text-soft">In and out</dt>
    <dd><YieldView {figures} {id} stock={kind === 'stock'} /></dd>
  </div>
  {#if minutes}
    <div>
      <dt class="text-base text-soft">Time</dt>
      <dd>{minutes}</dd>
    </div>
  {/if}
  {#if figures.portions}
    <div>
      <dt class="text-base text-soft">Portions</dt>
      <dd class="amount">{figure(figures.portions)}</dd>
    </div>
  {/if}
</dl>
