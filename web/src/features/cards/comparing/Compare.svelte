<script lang="ts">
  import { createQuery } from '@tanstack/svelte-query';
  import { untrack } from 'svelte';
  import { answer, api } from '../../../api/client';
  import { potQuery, queries } from '../../../api/queries';
  import { selection } from '../../../lib/selection.svelte';
  import ItemBox from '../../../ui/ItemBox.svelte';
  import ErrorText from '../../../ui/ErrorText.svelte';
  import { p, route } from '../../../app/routes';
  import Sides from './Sides.svelte';
  import VersionList from './VersionList.svelte';

  /** Two cards side by side: a way and another, a version and today's, or any two pots. */
  const id = $derived(route.params.id ?? '');
  const pot = potQuery(() => route.params.id ?? null);
  let right = $state('');
  let other = $state('');

  let left = $state('');
  const ways = $derived(pot.data?.preparation.ways ?? []);
  const shown = $derived(right || (ways[0] ? `${id}~${ways[0].name}` : ''));
  const comparison = createQuery(
    () => ({
      queryKey: ['comparison', left || id, shown],
      enabled: shown !== '',
      queryFn: () =>
        answer(
          api.GET('/api/v1/comparison', { params: { query: { left: left || id, right: shown } } })
        )
    }),
    () => queries
  );

  $effect(() => {
    selection.pot = id;
    untrack(() => (left = right = ''));
  });
  $effect(() => {
    if (other && !other.includes('/')) right = other;
  });
</script>

<svelte:head><title>Side by side · Yellow Ladle</title></svelte:head>

<div class="grid h-full grid-cols-[300px_minmax(0,1fr)] max-desk:block max-desk:overflow-y-auto">
  <section class="min-h-0 overflow-y-auto border-r border-rule px-5 py-4" aria-label="Beside it">
    <h1 class="text-title">{pot.data?.preparation.name ?? ''}</h1>
    <a class="underline" href={p('/pots/:id', { params: { id } })}>Back to the card</a>
    {#if ways.length > 0}
      <h2 class="mt-3 text-lead">Its other ways</h2>
      <ul>
        {#each ways as way (way.name)}
          {@const side = `${id}~${way.name}`}
          <li>
            <button
              type="button"
              class={['min-h-11 w-full px-2 text-left', shown === side && 'bg-ladle-pale']}
              aria-pressed={shown === side}
              onclick={() => (right = side)}
            >
              {way.name}
            </button>
          </li>
        {/each}
      </ul>
    {/if}
    {#if left}
      <p class="mt-2">
        On the left: a version from the list below.
        <button type="button" class="min-h-11 underline" onclick={() => (left = '')}>
          The card as it is now
        </button>
      </p>
    {/if}
    <h2 class="mt-3 text-lead">Another pot</h2>
    <ItemBox id="other-pot" label="Another pot" bind:item={other} />
    <h2 class="mt-3 text-lead">Its versions</h2>
    <VersionList
      {id}
      chosen={shown}
      onchoose={(side) => (right = side)}
      onleft={(side) => (left = side)}
    />
  </section>
  <div class="min-h-0 overflow-y-auto px-5 py-4">
    <ErrorText error={comparison.error} />
    {#if comparison.data}
      <Sides comparison={comparison.data} />
    {:else if shown === ''}
      <p class="text-soft">Choose a version, a way or another pot to read beside it.</p>
    {/if}
  </div>
</div>
