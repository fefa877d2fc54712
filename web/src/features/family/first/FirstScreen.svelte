<script lang="ts">
  import { answer, api, type Schema } from '../../../api/client';
  import { p } from '../../../app/routes';
  import ErrorText from '../../../ui/ErrorText.svelte';
  import FirstName from './FirstName.svelte';

  /** The first screen of an empty kitchen: what there is to begin with, and where each leads. */
  let { kitchen }: { kitchen: Schema['KitchenOut'] | undefined } = $props();

  let error = $state<unknown>(null);

  const WAYS = [
    {
      href: p('/recipes'),
      name: 'Recipes, as text or files',
      told: 'Paste a page or a whole notebook, drop Word, PDF, a saved page or a table, or photograph it.'
    },
    {
      href: p('/pots/new'),
      name: 'One card, written here',
      told: 'A name, then “100 g butter, 100 g flour”. The rest can wait.'
    },
    {
      href: p('/intake'),
      name: 'A list of goods',
      told: 'A table from your supplier or your own, as CSV or XLSX.'
    },
    {
      href: p('/larder'),
      name: 'Jars to be read',
      told: 'Photograph, type or paste a label: what is in it is proposed, you compare and confirm.'
    }
  ];

  async function lookAround() {
    try {
      await answer(api.POST('/api/v1/kitchen/made-up'));
      location.assign('/');
    } catch (refused) {
      error = refused;
    }
  }
</script>

<div class="h-full overflow-y-auto p-8 max-phone:p-4">
  <h2 class="text-title">What is there already?</h2>
  <p class="mt-1 max-w-2xl">
    Begin with whatever is at hand. Nothing is lost on the way to the plate, and what nobody has
    checked is never shown as free.
  </p>
  <ul class="mt-5 grid max-w-4xl grid-cols-2 gap-3 max-tablet:grid-cols-1">
    {#each WAYS as way (way.href)}
      <li>
        <a
          href={way.href}
          class="block h-full border-[1.5px] border-ink bg-sheet p-4 hover:bg-ladle-pale"
        >
          <span class="strip-name text-name">{way.name}</span>
          <span class="mt-1 block text-soft">{way.told}</span>
        </a>
      </li>
    {/each}
  </ul>
  <button type="button" class="mt-3 min-h-11 underline underline-offset-4" onclick={lookAround}
    >Show me a made-up kitchen first</button
  >
  <ErrorText {error} />
  {#if kitchen}<FirstName {kitchen} />{/if}
</div>
