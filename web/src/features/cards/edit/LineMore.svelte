<script lang="ts">
  import Field from '../../../ui/Field.svelte';
  import Check from '../../../ui/Check.svelte';
  import { asWords } from '../../../lib/levels';
  import type { LinePiece } from './pieces';
  import ToolsField from './ToolsField.svelte';
  import UpDown from './UpDown.svelte';

  /** What is said of one line besides its amount and item. */
  let {
    line,
    number,
    roles,
    stages,
    treatments,
    onchoose,
    onmove
  }: {
    line: LinePiece;
    number: number;
    roles: string[];
    stages: string[];
    treatments: string[];
    onchoose: () => void;
    onmove: (by: number) => void;
  } = $props();

  const of = $derived(`of line ${number}`);
</script>

<div class="grid grid-cols-4 gap-3 border-l-3 border-rule py-2 pl-3 max-tablet:grid-cols-2">
  <Field label="Role">
    <select class="field" aria-label="Role {of}" bind:value={line.role}>
      {#each roles as role (role)}<option value={role}>{role}</option>{/each}
    </select>
  </Field>
  <Field label="Stage">
    <select class="field" aria-label="Stage {of}" bind:value={line.stage}>
      {#each stages as stage (stage)}<option value={stage}>{stage}</option>{/each}
    </select>
  </Field>
  <Field label="Treatment">
    <select class="field" aria-label="Treatment {of}" bind:value={line.treatment}>
      {#each treatments as each (each)}<option value={each}>{asWords(each)}</option>{/each}
    </select>
  </Field>
  <Field label="Minutes in the pot">
    <input
      class="field amount"
      type="number"
      min="0"
      step="any"
      aria-label="Minutes {of}"
      bind:value={line.minutes}
    />
  </Field>
  <Field label="Under the heading">
    <input class="field" maxlength="200" aria-label="Heading {of}" bind:value={line.group} />
  </Field>
  <Field label="Any one of">
    <input
      class="field"
      maxlength="200"
      aria-label="Choice {of}"
      value={line.choice ?? ''}
      oninput={(event) => {
        line.choice = event.currentTarget.value.trim() || null;
        if (line.choice === null) line.chosen = false;
      }}
    />
  </Field>
  <label class="col-span-2 block">
    <span class="text-base text-soft">Note</span>
    <input class="field" maxlength="4000" aria-label="Note {of}" bind:value={line.note} />
  </label>
  <div class="col-span-2">
    <ToolsField
      tools={line.equipment ?? []}
      label="Tools"
      {of}
      onset={(tools) => (line.equipment = tools)}
    />
  </div>
  <div class="col-span-2 flex flex-wrap items-end gap-x-5">
    <UpDown label="Line {number}" {onmove} />
    <Check bind:checked={line.optional}>optional</Check>
    <Check aria-label="Strained out {of}" bind:checked={line.strained_out}>strained out</Check>
    {#if line.choice}
      <label class="flex min-h-11 items-center gap-2">
        <input
          type="radio"
          class="size-5"
          aria-label="In use {of}"
          checked={line.chosen}
          onchange={onchoose}
        />in use
      </label>
    {/if}
  </div>
</div>
