<script lang="ts">
  import Check from '../../../ui/Check.svelte';
  import { untrack } from 'svelte';
  import { answer, api, type Schema } from '../../../api/client';
  import { Write } from '../../../api/write.svelte';
  import Button from '../../../ui/Button.svelte';
  import ItemBox from '../../../ui/ItemBox.svelte';
  import ErrorText from '../../../ui/ErrorText.svelte';

  /** One tool: whose it is, what is in it today, and what goes through next. */
  let {
    entry,
    onchange
  }: {
    entry: Schema['ToolOut'];
    onchange: (tool: Schema['ToolPiece'], seen: number | null) => void;
  } = $props();

  const tool = $derived(entry.tool);
  let item = $state('');
  let round = $state(0);

  const noting = new Write(
    (through: string | null) => {
      const body = { tool: tool.name, item: through, renewed: through === null && tool.absorbs };
      return answer(api.POST('/api/v1/tools/uses', { body }));
    },
    {
      says: (_, through) =>
        through
          ? `Noted for the ${tool.name}.`
          : `The ${tool.name} is ${tool.absorbs ? 'renewed' : 'washed'}.`,
      reaches: 'day'
    }
  );

  async function use(through: string | null) {
    if (!(await noting.send(through))) return;
    item = '';
    round += 1;
  }

  $effect(() => {
    if (item !== '') untrack(() => void use(item));
  });
</script>

<li
  class="grid grid-cols-[minmax(0,1fr)_300px] gap-5 max-phone:grid-cols-1 border-b border-rule py-3"
  data-tool={tool.name}
>
  <div>
    <h2 class="text-lead">{tool.name}</h2>
    <p class="text-soft">
      {entry.pots.length > 0
        ? `On the cards of ${entry.pots.map((pot) => pot.name).join(', ')}`
        : 'On no card'}
    </p>
    <div class="flex flex-wrap gap-x-6">
      <Check
        checked={tool.dedicated}
        onchange={(event) =>
          onchange({ ...tool, dedicated: event.currentTarget.checked }, entry.version)}
        >kept for one thing only</Check
      >
      <Check
        checked={tool.always_shared}
        disabled={tool.dedicated}
        onchange={(event) =>
          onchange({ ...tool, always_shared: event.currentTarget.checked }, entry.version)}
        >we share this one always</Check
      >
      <Check
        checked={tool.absorbs}
        disabled={tool.dedicated}
        onchange={(event) =>
          onchange({ ...tool, absorbs: event.currentTarget.checked }, entry.version)}
        >no wash clears it</Check
      >
    </div>
    <p>
      {entry.inside.length > 0
        ? `Since the last wash today: ${entry.inside.map((made) => made.name).join(', ')}`
        : 'Nothing went through since the last wash.'}
    </p>
  </div>
  <div class="grid content-start gap-2">
    {#key round}
      <label class="block" for="through-{tool.name}">
        <span class="text-soft">Goes through now</span>
        <ItemBox id="through-{tool.name}" label="Through the {tool.name}" bind:item />
      </label>
    {/key}
    <div><Button onclick={() => use(null)}>{tool.absorbs ? 'Renewed' : 'Washed'}</Button></div>
    <ErrorText error={noting.error} />
  </div>
</li>
