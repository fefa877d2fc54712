<script lang="ts">
  import { familyQuery, kitchenQuery } from '../../api/queries';
  import ErrorText from '../../ui/ErrorText.svelte';
  import { narrow } from '../../ui/narrow';
  import FirstScreen from './first/FirstScreen.svelte';
  import Aside from './Aside.svelte';
  import AskBar from './AskBar.svelte';
  import { navigate } from '../../app/routes';
  import { Board } from './board.svelte';
  import BoardView from './BoardView.svelte';

  const family = familyQuery();
  const kitchen = kitchenQuery();
  const board = new Board(() => family.data);
</script>

<svelte:head><title>Family · Yellow Ladle</title></svelte:head>

{#if family.data && family.data.strips.length === 0}
  <h1 class="sr-only">Family</h1>
  <FirstScreen kitchen={kitchen.data} />
{:else}
  <div
    class="grid h-full grid-cols-[minmax(0,1fr)_352px] grid-rows-[64px_minmax(0,1fr)] max-desk:grid-cols-1 max-desk:grid-rows-[64px_minmax(0,1fr)_auto] max-phone:grid-rows-[auto_minmax(0,1fr)_auto]"
  >
    <h1 class="sr-only">Family</h1>
    <AskBar {board} kitchen={kitchen.data} onrecord={() => void navigate('/pots/new')} />
    {#if family.data}
      <BoardView {board} columns={family.data.columns} />
      {#if board.selected || !narrow.current}<Aside {board} />{/if}
    {:else}
      <div class="p-8"><ErrorText error={family.error} /></div>
    {/if}
  </div>
{/if}
