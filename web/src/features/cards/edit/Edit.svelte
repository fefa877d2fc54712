<script lang="ts">
  import { potQuery } from '../../../api/queries';
  import ErrorText from '../../../ui/ErrorText.svelte';
  import { route } from '../../../app/routes';
  import EditView from './EditView.svelte';
  import { EMPTY } from './pieces';

  /** The card of a pot, to be written: one that is recorded, or a new one. */
  const id = $derived(route.params.id ?? null);
  const pot = potQuery(() => id);
</script>

<svelte:head>
  <title>{pot.data?.preparation.name ?? 'A new pot'}, to be written · Yellow Ladle</title>
</svelte:head>

{#if id === null}
  <EditView base={EMPTY} version={null} names={{}} />
{:else if pot.data}
  {#key id}
    <EditView
      base={pot.data.preparation}
      version={pot.data.version}
      names={Object.fromEntries(pot.data.lines.map((line) => [line.line.item, line.name]))}
    />
  {/key}
{:else}
  <div class="p-8"><ErrorText error={pot.error} /></div>
{/if}
