<script lang="ts">
  import IconButton from '../../../ui/IconButton.svelte';
  import ChevronDown from '@lucide/svelte/icons/chevron-down';
  import ChevronUp from '@lucide/svelte/icons/chevron-up';
  import X from '@lucide/svelte/icons/x';
  import type { Level } from '../../../api/client';
  import ItemBox from '../../../ui/ItemBox.svelte';
  import { flagWords } from '../../../lib/lines';
  import LineMarks from '../pot/LineMarks.svelte';
  import AmountBox from '../../../ui/amount/AmountBox.svelte';
  import type { CardDraft } from './cardDraft.svelte';
  import type { Dragging } from './dragging';
  import LineMore from './LineMore.svelte';
  import Mover from './Mover.svelte';
  import type { LinePiece } from './pieces';

  /** One line of a card: its amount as typed, its item, and behind a button all the rest. */
  let {
    draft,
    line,
    index,
    flags,
    roles,
    stages,
    treatments,
    onmove,
    dragging
  }: {
    draft: CardDraft;
    line: LinePiece;
    index: number;
    flags: Record<string, Level> | undefined;
    roles: string[];
    stages: string[];
    treatments: string[];
    onmove: (by: number) => void;
    dragging: Dragging;
  } = $props();

  let open = $state(false);
  const told = $derived(
    [
      line.choice && (line.chosen ? `${line.choice}, in use` : `for the ${line.choice}`),
      ...flagWords(flags ?? {}, [], line.choice ? Infinity : 4),
      line.strained_out && 'strained out',
      line.optional && 'optional'
    ]
      .filter(Boolean)
      .join(', ')
  );

  function choose() {
    for (const other of draft.lines) if (other.choice === line.choice) other.chosen = false;
    line.chosen = true;
  }
</script>

<div
  class="grid grid-cols-[32px_60px_196px_minmax(0,1fr)_44px_44px] items-start gap-2 max-phone:grid-cols-[32px_minmax(0,1fr)_44px_44px] max-phone:items-end"
>
  <Mover label="Line {index + 1}" {onmove} {dragging} />
  <span class="flex h-11 items-center max-phone:hidden">
    {#if flags}<LineMarks {flags} />{/if}
  </span>
  <div>
    <span class="hidden text-soft max-phone:block" aria-hidden="true">Amount</span>
    <AmountBox
      quantity={line.quantity}
      unit={line.unit}
      typed={line.typed ?? ''}
      item={line.item}
      label="Amount of line {index + 1}"
      onset={(quantity, unit, typed, range) => {
        line.quantity = quantity;
        line.unit = unit;
        line.typed = typed;
        if (range && !line.note) line.note = range;
      }}
    />
  </div>
  <div class="min-w-0 max-phone:order-last max-phone:col-span-3 max-phone:col-start-2">
    <span class="hidden text-soft max-phone:block" aria-hidden="true">Item</span>
    <ItemBox
      id="item-{index}"
      label="Item of line {index + 1}"
      bind:item={line.item}
      name={draft.names[line.item] ?? ''}
      makes
      onnamed={(item, name) => (draft.names[item] = name)}
    />
    {#if told}<p class="text-base leading-tight text-soft">{told}</p>{/if}
  </div>
  <IconButton aria-expanded={open} label="More of line {index + 1}" onclick={() => (open = !open)}
    >{#if open}<ChevronUp size={20} />{:else}<ChevronDown size={20} />{/if}</IconButton
  >
  <IconButton label="Remove line {index + 1}" onclick={() => draft.remove('lines', index)}
    ><X size={20} /></IconButton
  >
</div>
{#if open}
  <LineMore {line} number={index + 1} {roles} {stages} {treatments} onchoose={choose} {onmove} />
{/if}
