<script lang="ts">
  import type { Schema } from '../../../api/client';
  import { figure } from '../../../lib/spoon';

  /** One carried number with its largest sources, and what is missing of it. */
  let { number, portions }: { number: Schema['NumberOut']; portions: number | null } = $props();

  const TOLD = {
    salt_g_per_100g: { title: 'Salt already in', unit: 'g in 100 g', part: 'g' },
    alcohol_percent: { title: 'Alcohol left, an estimate', unit: '% by weight', part: 'g' },
    so2_mg_per_kg: { title: 'Sulphites as SO₂, an estimate', unit: 'mg in a kilo', part: 'mg' },
    starch_g_per_l: { title: 'Binding', unit: 'g flour in a litre', part: 'g' }
  } as const;
  const told = $derived(TOLD[number.name]);
  const most = $derived(number.by_line.slice(0, 4));
  const roots = $derived(number.by_product.slice(0, 3));
  const rest = $derived(1 - most.reduce((sum, share) => sum + share.share, 0));
</script>

<dt class="text-base text-soft" data-number={number.name}>{told.title}</dt>
<dd>
  <p>
    {number.at_least ? 'at least ' : ''}<span class="amount">{figure(number.value)}</span>
    {told.unit}
    {#if number.per_portion !== null && portions}
      <span class="text-soft">
        · <span class="amount">{figure(number.per_portion)}</span>
        {told.part} a portion
      </span>
    {/if}
  </p>
  {#if most.length > 0}
    <div class="mt-1 flex h-2 gap-px bg-rule" aria-hidden="true" data-bar>
      {#each most as share (share.item)}
        <span class="bg-enamel" style:width="{share.share * 100}%"></span>
      {/each}
      {#if rest > 0.01}<span style:width="{rest * 100}%"></span>{/if}
    </div>
    <p class="text-base text-soft">
      {most.map((share) => `${share.name} ${Math.round(share.share * 100)} %`).join(', ')}
    </p>
    {#if roots.length > 0 && roots[0]?.item !== most[0]?.item}
      <p class="text-base text-soft">
        from {roots.map((share) => share.name).join(', ')}
      </p>
    {/if}
  {/if}
  {#if number.missing.length > 0}
    <p class="text-base text-clay">
      not known of {number.missing.map((item) => item.name).join(', ')}
    </p>
  {/if}
</dd>
