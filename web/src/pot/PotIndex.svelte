<script lang="ts">
  import { potsQuery } from '../api/queries';
  import Trouble from '../parts/Trouble.svelte';
  import { p } from '../routes';

  const pots = potsQuery();
  let words = $state('');
  const shown = $derived(
    (pots.data?.entries ?? []).filter((pot) => pot.name.toLowerCase().includes(words.toLowerCase()))
  );
</script>

<svelte:head><title>Pots · Yellow Ladle</title></svelte:head>

<div class="h-full overflow-y-auto px-5 py-4">
  <h1 class="text-[26px]">Which pot?</h1>
  <label class="mt-2 block max-w-md">
    <span class="text-soft">Part of its name</span>
    <input class="field" bind:value={words} />
  </label>
  <Trouble error={pots.error} />
  <ul class="mt-4 columns-3 gap-8">
    {#each shown as pot (pot.id)}
      <li class="break-inside-avoid border-b border-rule">
        <a
          class="flex min-h-11 items-center justify-between gap-3 hover:bg-ladle-pale"
          href={p('/pots/:id', { params: { id: pot.id } })}
        >
          <span class="strip-name">{pot.name}</span>
          <span class="text-note text-soft">{pot.kind}</span>
        </a>
      </li>
    {/each}
  </ul>
</div>
