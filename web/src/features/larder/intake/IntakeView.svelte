<script lang="ts">
  import type { Schema } from '../../../api/client';
  import LevelLists from '../../../ui/marks/LevelLists.svelte';
  import { asWords } from '../../../lib/levels';
  import Button from '../../../ui/Button.svelte';
  import Disclaimer from '../../../ui/Disclaimer.svelte';
  import ImpactView from '../../../ui/impact/ImpactView.svelte';
  import type { Intake } from './intake.svelte';

  /** What a file comes to: its columns, its faults, its products, and the act itself. */
  let { intake, looked }: { intake: Intake; looked: Schema['IntakeOut'] } = $props();

  const passed = $derived(looked.columns.filter((column) => column.field === null));
  const taken = $derived(looked.columns.filter((column) => column.field !== null));
</script>

<h2 class="mt-4 text-name">{intake.name}</h2>
{#if taken.length > 0}
  <p>
    Columns: {taken
      .map((column) => `${column.heading} as ${asWords(column.field ?? '')}`)
      .join(', ')}
  </p>
{/if}
{#if passed.length > 0}
  <p class="text-clay">
    Not understood and passed over: {passed
      .map((column) => column.heading || 'without a heading')
      .join(', ')}
  </p>
{/if}
{#if looked.faults.length > 0}
  <h3 class="mt-3 text-lead">Faults</h3>
  <ul class="text-clay" data-faults>
    {#each looked.faults.slice(0, 100) as fault, index (index)}
      <li>Row {fault.row}, {fault.column}: {fault.message}</li>
    {/each}
  </ul>
  <p class="text-soft">Rows with a fault are left out. Fix the file and choose it again.</p>
{/if}
{#if looked.rows.length > 0}
  <table class="listed mt-3 w-full text-left">
    <thead>
      <tr class="border-b border-edge text-soft">
        <th scope="col" class="py-1 pr-3 font-normal">Row</th>
        <th scope="col" class="py-1 pr-3 font-normal">Product</th>
        <th scope="col" class="py-1 pr-3 font-normal">It states</th>
        <th scope="col" class="py-1 font-normal">All the rest</th>
      </tr>
    </thead>
    <tbody>
      {#each looked.rows.slice(0, 200) as row (row.row)}
        <tr class="border-b border-rule align-top">
          <td class="amount py-2 pr-3">{row.row}</td>
          <th scope="row" class="py-2 pr-3 font-amount">
            {row.product.name}
            <span class="block font-normal text-soft"
              >{row.seen == null ? 'new' : 'changes the one that is here'}</span
            >
          </th>
          <td class="py-2 pr-3"><LevelLists flags={row.product.statements ?? {}} /></td>
          <td class="py-2">{row.product.otherwise === 'free' ? 'free' : 'not checked'}</td>
        </tr>
      {/each}
    </tbody>
  </table>
  <div class="mt-4 grid gap-2">
    {#if intake.impact}<ImpactView impact={intake.impact} />{/if}
    <div class="flex items-center gap-4">
      <Button main disabled={intake.busy || intake.impact === null} onclick={() => intake.record()}>
        Record {looked.rows.length} products
      </Button>
      <Disclaimer />
    </div>
  </div>
{/if}
