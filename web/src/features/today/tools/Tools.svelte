<script lang="ts">
  import Field from '../../../ui/Field.svelte';
  import { answer, api, type Schema } from '../../../api/client';
  import { dayQuery, toolsQuery } from '../../../api/queries';
  import { Write } from '../../../api/write.svelte';
  import { KeptForm } from '../../../lib/keptForm.svelte';
  import Page from '../../../ui/Page.svelte';
  import Button from '../../../ui/Button.svelte';
  import Disclaimer from '../../../ui/Disclaimer.svelte';
  import ErrorText from '../../../ui/ErrorText.svelte';
  import DayTraces from './DayTraces.svelte';
  import ToolRow from './ToolRow.svelte';

  type Tool = Schema['ToolPiece'];

  const tools = toolsQuery();
  const day = dayQuery();
  const form = new KeptForm('tool', '', { name: '' });

  const keeping = new Write(
    (body: Schema['ToolIn']) => answer(api.POST('/api/v1/tools', { body })),
    { says: () => 'Recorded. The book was read anew with its tools.' }
  );

  const change = (tool: Tool, seen: number | null) => keeping.send({ tool, seen });

  async function add() {
    const plain = { dedicated: false, always_shared: false, absorbs: false };
    const tool = { name: form.fields.name.trim(), id: '', ...plain };
    if (await keeping.send({ tool, seen: null })) form.clear();
  }
</script>

<Page
  title="Tools of the day"
  told="One sieve, one blender, one fryer. What went through since the last wash leaves traces in what follows, in the reading of the day."
>
  <ErrorText error={keeping.error} />
  <div class="grid grid-cols-[minmax(0,1fr)_340px] gap-8 max-desk:grid-cols-1">
    <div>
      <ul>
        {#each tools.data ?? [] as entry (entry.tool.name)}
          <ToolRow {entry} onchange={change} />
        {/each}
      </ul>
      <div class="mt-3 flex items-end gap-3">
        <Field label="One more tool" class="w-72">
          <input class="field" maxlength="200" autocomplete="off" bind:value={form.fields.name} />
        </Field>
        <Button disabled={form.fields.name.trim() === ''} onclick={add}>Add it</Button>
      </div>
      <div class="mt-3"><Disclaimer /></div>
    </div>
    <DayTraces day={day.data} />
  </div>
</Page>
