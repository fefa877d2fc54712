<script lang="ts">
  import type { Schema } from '../../../api/client';
  import { traceQuery } from '../../../api/queries';
  import { p, route } from '../../../app/routes';
  import Button from '../../../ui/Button.svelte';
  import Disclaimer from '../../../ui/Disclaimer.svelte';
  import ErrorText from '../../../ui/ErrorText.svelte';
  import Page from '../../../ui/Page.svelte';
  import TodayNav from '../TodayNav.svelte';

  /** Where something went, from left to right: what it came from, its steps, the plates. */
  const asked = $derived(
    new URLSearchParams(
      Object.entries(route.search).map(([name, value]) => [name, String(value)])
    ).toString()
  );
  const query = traceQuery(() => asked || null);
  const trace = $derived(query.data);

  const columns = $derived.by(() => {
    const steps = trace?.steps.filter((step) => step.surely) ?? [];
    const last = Math.max(0, ...steps.map((step) => step.column));
    return Array.from({ length: last }, (_, at) => steps.filter((step) => step.column === at + 1));
  });
  const possible = $derived(trace?.steps.filter((step) => !step.surely) ?? []);
  const grams = (step: Schema['TraceStep']) =>
    step.grams == null ? 'amount not known' : `${Math.round(step.grams * 10) / 10} g of it`;
</script>

{#snippet nav()}<TodayNav />{/snippet}
{#snippet aside()}
  <div class="flex flex-wrap gap-3">
    <Button onclick={() => window.print()}>Print</Button>
    {#if !asked.includes('plate=')}
      <Button href="/api/v1/trace.csv?{asked}">As a table</Button>
    {/if}
  </div>
{/snippet}

<Page
  title={trace ? `Trace: ${trace.name}` : 'Trace'}
  told="Surely and possibly are kept apart: possibly is whatever may hold it and nobody wrote down."
  {nav}
  {aside}
>
  <ErrorText error={query.error} />
  {#if trace}
    <h1 class="hidden text-title print:block">Trace: {trace.name}</h1>
    <div class="flex items-start gap-6 pt-4 max-tablet:flex-col" data-trace>
      {#if trace.back.length > 0}
        <section class="min-w-52" aria-labelledby="came-from">
          <h2 id="came-from" class="text-lead">It came from</h2>
          <ul>
            {#each trace.back as item (item.id)}<li class="border-b border-rule py-1">
                {item.name}
              </li>{/each}
          </ul>
        </section>
      {/if}
      <section class="min-w-44 border-l-4 border-ladle pl-3" aria-labelledby="asked-about">
        <h2 id="asked-about" class="text-lead">{trace.name}</h2>
      </section>
      {#each columns as column, at (at)}
        <section
          class="min-w-44 border-l-4 border-ladle pl-3"
          aria-label="{at + 1} {at === 0 ? 'step' : 'steps'} on"
        >
          <ul>
            {#each column as step (step.id)}
              <li class="pb-2" data-step={step.id}>
                <a class="underline" href={p('/batches/:id', { params: { id: step.id } })}
                  >{step.name}</a
                >
                <p class="text-soft">{grams(step)}</p>
              </li>
            {/each}
          </ul>
        </section>
      {/each}
    </div>
    <div class="grid grid-cols-3 gap-8 pt-6 max-tablet:grid-cols-1">
      <section aria-labelledby="left">
        <h2 id="left" class="text-lead">To be fetched</h2>
        <ul data-left>
          {#each trace.left as left, index (index)}
            <li class="border-b border-rule py-1.5">
              <span class="amount"
                >{left.quantity == null
                  ? 'amount not known'
                  : `${left.quantity} ${left.unit}`}</span
              >
              of {left.name}{left.place ? `, ${left.place}` : ''}
            </li>
          {:else}
            <li class="py-1.5 text-soft">Nothing of it is left, as far as was written down.</li>
          {/each}
          {#each trace.tubs as tub (tub)}<li class="border-b border-rule py-1.5">
              tub {tub}
            </li>{/each}
        </ul>
      </section>
      <section aria-labelledby="plates">
        <h2 id="plates" class="text-lead">Plates</h2>
        <ul data-plates>
          {#each trace.plates as plate, index (index)}
            <li class="border-b border-rule py-1.5">
              <a
                class="underline"
                href={`${p('/trace')}?plate=${encodeURIComponent(plate.plate.id)}`}
                >{plate.plate.name}</a
              >, {plate.service}{plate.need ? `, ${plate.need}` : ''}
              <span class="text-soft">{plate.surely ? 'surely' : 'possibly'}</span>
            </li>
          {:else}
            <li class="py-1.5 text-soft">No plate was written down with it.</li>
          {/each}
        </ul>
      </section>
      <section aria-labelledby="possibly">
        <h2 id="possibly" class="text-lead">Possibly, or as a trace</h2>
        <ul data-possible>
          {#each possible as step, index (index)}
            <li class="border-b border-rule py-1.5">
              <a class="underline" href={p('/batches/:id', { params: { id: step.id } })}
                >{step.name}</a
              >
              <span class="text-soft">{step.tool ? `a trace by the ${step.tool}` : 'possibly'}</span
              >
            </li>
          {:else}
            <li class="py-1.5 text-soft">Nothing else may hold it.</li>
          {/each}
        </ul>
      </section>
    </div>
    <div class="pt-4"><Disclaimer /></div>
  {/if}
</Page>
