<script lang="ts">
  import type { Schema } from '../../../api/client';
  import { p } from '../../../app/routes';
  import { dayWords } from '../../../lib/moments';
  import MeasuredYield from './MeasuredYield.svelte';
  import IntoCard from './IntoCard.svelte';

  /** What went into a batch, what is left of it, and where it went. */
  let { batch }: { batch: Schema['BatchOut'] } = $props();

  const amount = (quantity: number | null | undefined, unit: string | null | undefined) =>
    quantity == null ? 'not weighed' : `${Math.round(quantity * 100) / 100} ${unit}`;
</script>

<h2 class="text-lead">What went in</h2>
<ul data-went-in>
  {#each batch.went_in as entry, index (index)}
    {@const piece = batch.piece.went_in[index]}
    {@const written = batch.piece.card?.lines[piece?.line ?? -1]}
    <li class="border-b border-rule py-1.5">
      <div class="grid grid-cols-[110px_minmax(0,1fr)] gap-3">
        <span class="amount text-right">{amount(entry.quantity, entry.unit)}</span>
        <span
          >{entry.item.name}
          {#if entry.from_}<span class="text-soft">{entry.from_}</span>{/if}</span
        >
      </div>
      {#if batch.preparation && piece && written && written.item !== piece.item}
        <details class="pl-[122px] max-phone:pl-0">
          <summary class="min-h-11 cursor-pointer py-2 text-clay"
            >not what the card says; write it into the card?</summary
          >
          <IntoCard preparation={batch.preparation.id} entry={piece} />
        </details>
      {/if}
    </li>
  {/each}
  {#each batch.left_out as item (item.id)}
    <li class="border-b border-rule py-1.5 text-clay">left out: {item.name}</li>
  {/each}
</ul>
{#if batch.piece.note}<p class="pt-2">{batch.piece.note}</p>{/if}

<h2 class="mt-4 text-lead">What is left</h2>
<ul data-left>
  {#each batch.parts as part (part.id)}
    <li class="border-b border-rule py-1.5">
      {part.id === batch.id ? '' : `${part.name}: `}
      <span class="amount"
        >{part.left ? amount(part.left.quantity, part.left.unit) : 'not known'}</span
      >
      {#if part.over}
        <span class="text-clay">{amount(part.over.quantity, part.over.unit)} more were taken</span>
      {/if}
      <span class="text-soft">
        {part.until ? `until ${dayWords(part.until)}` : ''}{part.at_hand ? '' : ', not at hand'}
      </span>
    </li>
  {/each}
</ul>

{#if batch.measured && batch.preparation}
  <MeasuredYield preparation={batch.preparation.id} measured={batch.measured} />
{/if}

<h2 class="mt-4 text-lead">Where it went</h2>
<ul data-went-to>
  {#each batch.went_to as other (other.id)}
    <li class="py-1">
      <a class="underline" href={p('/batches/:id', { params: { id: other.id } })}>{other.name}</a>
    </li>
  {/each}
  {#each batch.possibly_to as other (other.id)}
    <li class="py-1">
      <a class="underline" href={p('/batches/:id', { params: { id: other.id } })}>{other.name}</a>
      <span class="text-soft">possibly: nobody noted the batch</span>
    </li>
  {/each}
  {#each batch.served as plate, index (index)}<li class="py-1">{plate}</li>{/each}
  {#if batch.went_to.length + batch.possibly_to.length + batch.served.length === 0}
    <li class="py-1 text-soft">nowhere yet</li>
  {/if}
</ul>
