<script lang="ts">
  import type { Schema } from '../../../api/client';
  import { p } from '../../../app/routes';
  import { amountText } from '../../../lib/lines';
  import { dayWords } from '../../../lib/moments';
  import CountBox from './CountBox.svelte';
  import ShelfActs from './ShelfActs.svelte';

  /** One thing on the shelf: how much of it, until when, where, and what it carries. */
  let {
    thing,
    counting,
    open,
    onopen,
    oncounted
  }: {
    thing: Schema['StandingOut'];
    counting: boolean;
    open: boolean;
    onopen: () => void;
    oncounted: () => void;
  } = $props();

  const amount = $derived(
    thing.left ? amountText(thing.left.quantity, thing.left.unit) : 'not weighed'
  );
  const carries = $derived(
    [
      thing.contains.length > 0 ? `contains ${thing.contains.join(', ').toLowerCase()}` : '',
      thing.may_contain.length > 0
        ? `may contain ${thing.may_contain.join(', ').toLowerCase()}`
        : ''
    ]
      .filter(Boolean)
      .join('; ')
  );
  const where = $derived([thing.storage, thing.place].filter(Boolean).join(', '));
</script>

<li class="border-b border-rule py-2" data-thing={thing.reference}>
  <div
    class="grid grid-cols-[130px_minmax(0,1fr)_150px_auto] items-start gap-4 max-phone:grid-cols-[minmax(0,1fr)_auto] max-phone:gap-2"
  >
    {#if counting}
      <CountBox {thing} {oncounted} />
    {:else}
      <span class="amount pt-2 text-right max-phone:order-2 max-phone:text-left">{amount}</span>
    {/if}
    <div class="pt-2 max-phone:col-span-2 max-phone:row-start-1">
      <p class="font-name font-semibold">
        {#if thing.kind !== 'batch'}
          {thing.name}
        {:else}
          <a
            class="hover:underline"
            href={p('/batches/:id', { params: { id: thing.reference.split('/')[0] ?? '' } })}
            >{thing.name}</a
          >
        {/if}
      </p>
      {#if thing.held_back}
        <p class="font-semibold text-brick">A recall reaches it: do not use it.</p>
      {/if}
      {#if carries}<p class="text-enamel">{carries}</p>{/if}
      {#if thing.unchecked > 0}
        <p class="text-clay">
          {thing.unchecked}
          {thing.unchecked === 1 ? 'flag' : 'flags'} not checked
        </p>
      {/if}
      {#if thing.over}
        <p class="text-clay">
          {amountText(thing.over.quantity, thing.over.unit)} more were taken than there was
        </p>
      {/if}
    </div>
    <p class="pt-2 max-phone:order-3">
      {#if thing.until}
        <span class={thing.told ? '' : 'text-soft'}
          >{thing.past ? 'was good until' : 'until'}
          {dayWords(thing.until)}</span
        >
      {:else}
        <span class="text-soft">no last day</span>
      {/if}
      {#if !thing.told}<span class="block text-soft">nobody said how long</span>{/if}
      {#if where}<span class="block text-soft">{where}</span>{/if}
    </p>
    {#if !counting}
      <button
        type="button"
        class="min-h-11 px-2 underline max-phone:order-4 max-phone:text-left"
        aria-expanded={open}
        onclick={onopen}>move, throw away<span class="sr-only">: {thing.name}</span></button
      >
    {/if}
  </div>
  {#if open && !counting}<ShelfActs {thing} ondone={onopen} />{/if}
</li>
