<script lang="ts">
  import Plus from '@lucide/svelte/icons/plus';
  import X from '@lucide/svelte/icons/x';
  import Act from '../parts/Act.svelte';
  import ItemBox from '../parts/ItemBox.svelte';
  import type { PotDraft } from './potDraft.svelte';

  let {
    draft,
    units,
    roles,
    stages
  }: { draft: PotDraft; units: string[]; roles: string[]; stages: string[] } = $props();
</script>

<ul class="grid gap-2">
  {#each draft.lines as line, index (line)}
    <li
      class="grid grid-cols-[minmax(0,1fr)_90px_104px_136px_100px_112px_44px] items-center gap-2 max-[900px]:grid-cols-2"
    >
      <ItemBox
        id="item-{index}"
        label="Item of line {index + 1}"
        bind:item={line.item}
        name={draft.names[line.item] ?? ''}
      />
      <input
        class="field amount"
        type="number"
        min="0"
        step="any"
        aria-label="Amount of line {index + 1}"
        bind:value={line.quantity}
      />
      <select class="field" aria-label="Unit of line {index + 1}" bind:value={line.unit}>
        {#each units as unit (unit)}<option value={unit}>{unit.replace('_', ' ')}</option>{/each}
      </select>
      <select class="field" aria-label="Role of line {index + 1}" bind:value={line.role}>
        {#each roles as role (role)}<option value={role}>{role}</option>{/each}
      </select>
      <select class="field" aria-label="Stage of line {index + 1}" bind:value={line.stage}>
        {#each stages as stage (stage)}<option value={stage}>{stage}</option>{/each}
      </select>
      <label class="flex min-h-11 items-center gap-2 leading-tight">
        <input type="checkbox" class="size-5 flex-none" bind:checked={line.strained_out} />
        strained out
      </label>
      <button
        type="button"
        class="grid size-11 place-items-center"
        aria-label="Take line {index + 1} out"
        onclick={() => draft.removeLine(index)}
      >
        <X size={20} />
      </button>
    </li>
  {:else}
    <li class="text-soft">
      No line yet. A pot without lines stands by its flags alone; what is not stated is not checked.
    </li>
  {/each}
</ul>
<div class="mt-3">
  <Act onclick={() => draft.addLine()}><Plus size={18} aria-hidden="true" />Add a line</Act>
</div>
