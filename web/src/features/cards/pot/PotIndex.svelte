<script lang="ts">
  import Field from '../../../ui/Field.svelte';
  import { potsQuery } from '../../../api/queries';
  import Button from '../../../ui/Button.svelte';
  import ErrorText from '../../../ui/ErrorText.svelte';
  import { p } from '../../../app/routes';

  const pots = potsQuery();
  let words = $state('');
  const found = $derived(
    (pots.data?.entries ?? []).filter((pot) => pot.name.toLowerCase().includes(words.toLowerCase()))
  );
  const shown = $derived(found.filter((pot) => !pot.retired));
  const retired = $derived(found.filter((pot) => pot.retired));
</script>

<svelte:head><title>Pots · Yellow Ladle</title></svelte:head>

{#snippet list(entries: typeof shown)}
  <ul class="mt-4 columns-3 gap-8 max-desk:columns-2 max-phone:columns-1">
    {#each entries as pot (pot.id)}
      <li class="break-inside-avoid border-b border-rule">
        <a
          class="flex min-h-11 items-center justify-between gap-3 hover:bg-ladle-pale"
          href={p('/pots/:id', { params: { id: pot.id } })}
        >
          <span class="strip-name">{pot.name}</span>
          <span class="text-base text-soft">{pot.kind}</span>
        </a>
      </li>
    {/each}
  </ul>
{/snippet}

<div class="h-full overflow-y-auto px-5 py-4 max-phone:px-3">
  <h1 class="text-title">Which pot?</h1>
  <div class="mt-2 flex flex-wrap items-end gap-3">
    <Field label="Part of its name" class="w-80 max-phone:w-full">
      <input class="field" bind:value={words} />
    </Field>
    <Button main href={p('/pots/new')}>Record a pot</Button>
    <Button href={p('/thickening')}>Thickening bench</Button>
    <Button href={p('/recipes')}>Recipes in and out</Button>
  </div>
  <ErrorText error={pots.error} />
  {@render list(shown)}
  {#if retired.length > 0}
    <h2 class="mt-5 text-lead">Retired</h2>
    {@render list(retired)}
  {/if}
</div>
