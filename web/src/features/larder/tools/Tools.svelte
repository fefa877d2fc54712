<script lang="ts">
  import { answer, api, type Schema } from '../../../api/client';
  import { afterRecording, dayQuery, toolsQuery } from '../../../api/queries';
  import { announcements } from '../../../app/announce.svelte';
  import LarderPage from '../products/LarderPage.svelte';
  import Button from '../../../ui/Button.svelte';
  import Disclaimer from '../../../ui/Disclaimer.svelte';
  import ErrorText from '../../../ui/ErrorText.svelte';
  import PersonPick from '../../people/PersonPick.svelte';
  import DayTraces from './DayTraces.svelte';
  import ToolRow from './ToolRow.svelte';

  type Tool = Schema['ToolPiece'];

  const tools = toolsQuery();
  const day = dayQuery();
  let error = $state<unknown>(null);
  let name = $state('');
  const known = $derived((tools.data ?? []).map((entry) => entry.tool));

  async function keep(wanted: Tool[]) {
    error = null;
    try {
      await answer(api.PUT('/api/v1/tools', { body: wanted }));
      announcements.say('Recorded. The book was read anew with its tools.');
      await afterRecording();
    } catch (refusal) {
      error = refusal;
    }
  }

  const change = (tool: Tool) =>
    keep(known.map((other) => (other.name === tool.name ? tool : other)));

  async function add() {
    await keep([...known, { name: name.trim(), dedicated: false, always_shared: false, id: '' }]);
    name = '';
  }
</script>

<LarderPage
  title="Tools"
  told="One sieve, one blender, one fryer. What went through since the last wash leaves traces in what follows, in the reading of the day."
>
  {#snippet aside()}<PersonPick />{/snippet}
  <ErrorText {error} />
  <div class="grid grid-cols-[minmax(0,1fr)_340px] gap-8 max-[1000px]:grid-cols-1">
    <div>
      <ul>
        {#each tools.data ?? [] as entry (entry.tool.name)}
          <ToolRow {entry} onchange={change} />
        {/each}
      </ul>
      <div class="mt-3 flex items-end gap-3">
        <label class="block w-72">
          <span class="text-soft">One more tool</span>
          <input class="field" maxlength="200" autocomplete="off" bind:value={name} />
        </label>
        <Button disabled={name.trim() === ''} onclick={add}>Add it</Button>
      </div>
      <div class="mt-3"><Disclaimer /></div>
    </div>
    <DayTraces day={day.data} />
  </div>
</LarderPage>
