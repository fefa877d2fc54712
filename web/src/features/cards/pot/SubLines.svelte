<script lang="ts">
  import { potQuery } from '../../../api/queries';
  import { p } from '../../../app/routes';
  import LineMarks from './LineMarks.svelte';
  import { amountText } from '../../../lib/lines';
  import Self from './SubLines.svelte';

  /** What a pot within a pot is made of, to any depth; to be read only. */
  let { id, name }: { id: string; name: string } = $props();

  const pot = potQuery(() => id);
  let open = $state<Record<number, boolean>>({});
</script>

<div class="mb-2 ml-6 border-l-3 border-ladle pl-3" data-within={id}>
  <ul aria-label="What goes into {name}">
    {#each pot.data?.lines ?? [] as line (line.index)}
      <li class={line.line.choice && !line.counted ? 'text-soft' : ''}>
        <div
          class="grid grid-cols-[44px_84px_minmax(0,1fr)_auto] items-center border-b border-rule"
        >
          <LineMarks flags={line.flags} />
          <span class="amount pr-2 text-right text-base">
            {line.line.typed || amountText(line.line.quantity, line.line.unit)}
          </span>
          <span class="py-1 leading-tight">{line.name}</span>
          {#if line.item_kind === 'preparation'}
            <button
              type="button"
              class="min-h-11 px-2 underline"
              aria-expanded={open[line.index] ?? false}
              aria-label="{open[line.index] ? 'close' : 'open'} {line.name}"
              onclick={() => (open[line.index] = !open[line.index])}
            >
              {open[line.index] ? 'close' : 'open'}
            </button>
          {/if}
        </div>
        {#if open[line.index]}<Self id={line.owner} name={line.name} />{/if}
      </li>
    {:else}
      <li class="py-1 text-soft">{pot.data ? 'No card yet: by its flags alone.' : 'Reading …'}</li>
    {/each}
  </ul>
  <a class="inline-block py-1.5 underline" href={p('/pots/:id', { params: { id } })}>
    Go to {name}
  </a>
</div>
