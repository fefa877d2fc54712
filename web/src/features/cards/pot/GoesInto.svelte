<script lang="ts">
  import type { Schema } from '../../../api/client';
  import Figures from '../figures/Figures.svelte';
  import { p } from '../../../app/routes';
  import { amountText, type Pot } from '../../../lib/lines';

  let { pot, figures }: { pot: Pot; figures: Schema['FiguresOut'] | undefined } = $props();

  const direct = $derived(new Set(pot.goes_into.map((use) => use.id)));
  const further = $derived(pot.reaches.filter((other) => !direct.has(other.id)));
  const byProducts = $derived(pot.preparation.by_products ?? []);
  const takers = (part: string) =>
    pot.goes_into
      .filter((use) => use.as_by_product === part)
      .map((use) => use.name)
      .join(', ');
</script>

<section
  class="border-l border-rule px-5 py-3 max-desk:col-span-2 max-desk:border-t max-desk:border-l-0 max-phone:border-t-0 max-phone:px-3"
  aria-labelledby="goes-into"
>
  <h2 id="goes-into" class="text-lead max-phone:sr-only">Goes into</h2>
  <ul class="mt-1.5">
    {#each pot.goes_into as use (use.id + use.as_by_product)}
      <li class="border-b border-rule">
        <a
          class="flex min-h-11 items-center justify-between gap-3 py-1 leading-tight hover:bg-ladle-pale"
          href={p('/pots/:id', { params: { id: use.id } })}
        >
          <span>
            {use.name}
            {#if use.as_by_product}
              <span class="block text-base text-soft">{use.as_by_product}</span>
            {/if}
          </span>
          <span class="amount whitespace-nowrap">{amountText(use.quantity, use.unit)}</span>
        </a>
      </li>
    {:else}
      <li class="text-soft">
        {pot.preparation.kind === 'dish' ? 'The guest.' : 'Nothing yet.'}
      </li>
    {/each}
  </ul>
  {#if further.length > 0}
    <p class="mt-2 text-base text-soft">
      and from there into {further.map((other) => other.name).join(', ')}
    </p>
  {/if}
  {#if byProducts.length > 0}
    <h2 class="mt-4 text-lead">Also comes out</h2>
    <ul class="mt-1">
      {#each byProducts as part (part.id)}
        <li class="flex min-h-9 items-center justify-between gap-3 border-b border-rule py-1">
          <span class="leading-tight">
            {part.name}
            <span class="block text-base text-soft">
              {takers(part.name) ? `into ${takers(part.name)}` : 'nothing takes it yet'}
            </span>
          </span>
          {#if part.quantity}
            <span class="amount whitespace-nowrap">
              {amountText(part.quantity, part.unit ?? '')}
            </span>
          {/if}
        </li>
      {/each}
    </ul>
  {/if}
  {#if figures}
    <h2 class="mt-4 text-lead">Numbers</h2>
    <Figures {figures} id={pot.preparation.id} kind={pot.preparation.kind} />
  {/if}
</section>
