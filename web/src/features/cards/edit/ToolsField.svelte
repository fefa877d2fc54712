<script lang="ts">
  import X from '@lucide/svelte/icons/x';
  import { kitchenQuery } from '../../../api/queries';

  /** Tools, chosen from those of the kitchen; one that it does not list yet is said to be new. */
  let {
    tools,
    label,
    of = '',
    onset
  }: { tools: string[]; label: string; of?: string; onset: (tools: string[]) => void } = $props();

  const kitchen = kitchenQuery();
  const id = $props.id();
  let words = $state('');
  const known = $derived(kitchen.data?.tools ?? []);
  const isNew = (tool: string) => kitchen.data !== undefined && !known.includes(tool);

  function add() {
    const named = words
      .split(',')
      .map((name) => name.trim())
      .filter((name) => name !== '' && !tools.includes(name));
    if (named.length > 0) onset([...tools, ...named]);
    words = '';
  }
</script>

<div>
  <label class="text-base text-soft" for={id}>{label}</label>
  <div class="flex flex-wrap items-center gap-x-3">
    {#each tools as tool (tool)}
      <button
        type="button"
        class="flex min-h-11 items-center gap-1.5 border-b border-edge"
        aria-label="{tool}{of ? ` ${of}` : ''}: remove it"
        onclick={() => onset(tools.filter((other) => other !== tool))}
      >
        {tool}
        {#if isNew(tool)}<span class="text-base text-clay">new</span>{/if}
        <X size={16} aria-hidden="true" />
      </button>
    {/each}
    <input
      {id}
      class="field min-w-32 flex-1"
      maxlength="400"
      list="{id}-known"
      autocomplete="off"
      aria-label={of ? `Tools ${of}` : undefined}
      bind:value={words}
      onchange={add}
    />
  </div>
  <datalist id="{id}-known">
    {#each known as tool (tool)}<option value={tool}></option>{/each}
  </datalist>
</div>
