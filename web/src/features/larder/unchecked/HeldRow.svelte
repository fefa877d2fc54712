<script lang="ts">
  import type { Schema } from '../../../api/client';
  import { asWords } from '../../../lib/levels';
  import PotMark from '../../../ui/marks/PotMark.svelte';
  import Button from '../../../ui/Button.svelte';
  import { p } from '../../../app/routes';
  import SettleSheet from './SettleSheet.svelte';

  /** One thing that nobody has checked: what it holds back, and how to settle it. */
  let { entry }: { entry: Schema['HeldOut'] } = $props();

  const WAYS: Record<string, string> = {
    read_label: 'Read its label',
    ask_maker: 'Ask the maker',
    mark_plain: 'Mark it plain',
    write_card: 'Write its card',
    empty_bag: 'Empty and wash it'
  };
  let settling = $state(false);
  const params = $derived({ params: { id: entry.item } });
  const place = $derived(entry.is_product ? p('/larder/:id', params) : p('/pots/:id', params));
  const plates = $derived(entry.plates.map((plate) => plate.name));
</script>

<li
  class="grid grid-cols-[minmax(0,1fr)_170px] gap-4 max-phone:grid-cols-1 border-b border-rule py-3"
  data-held={entry.item}
>
  <div>
    <p class="flex items-center gap-2">
      <PotMark level="unchecked" decorative />
      <a class="font-name text-lead font-semibold hover:underline" href={place}>{entry.name}</a>
      {#if entry.maker}<span class="text-soft">label of {entry.maker}</span>{/if}
    </p>
    <p class="text-clay">
      {entry.all_flags
        ? `All ${entry.flags.length} flags not checked`
        : `Not checked: ${entry.flags.map(asWords).join(', ')}`}
    </p>
    <p>
      {#if plates.length > 0}
        Holds back {plates.length}
        {plates.length === 1 ? 'plate' : 'plates'}: {plates.slice(0, 4).join(', ')}{plates.length >
        4
          ? ` and ${plates.length - 4} more`
          : ''}.
      {:else}
        Holds back no plate; it goes into {entry.pots} {entry.pots === 1 ? 'pot' : 'pots'}.
      {/if}
      {#if entry.frees.length > 0}
        <span class="text-soft"
          >Once checked, it alone clears {entry.frees.map((plate) => plate.name).join(', ')}.</span
        >
      {/if}
    </p>
    {#if entry.needs.length > 0}
      <p class="font-semibold text-brick">
        Do not serve until checked: {entry.needs.join(', ')}
        {entry.needs.length === 1 ? 'waits' : 'wait'} for it.
      </p>
    {/if}
  </div>
  <div class="grid content-start gap-2">
    {#if entry.settle === 'mark_plain' || entry.settle === 'empty_bag'}
      <Button onclick={() => (settling = true)}>{WAYS[entry.settle]}</Button>
    {:else}
      <Button href={entry.settle === 'ask_maker' ? p('/questions') : place}
        >{WAYS[entry.settle]}</Button
      >
    {/if}
    {#if entry.is_product && entry.plates.length > 0}
      <Button href={p('/pots/:id/swaps', { params: { id: entry.plates[0]?.id ?? '' } })}
        >Replace it</Button
      >
    {/if}
  </div>
</li>
{#if settling}<SettleSheet {entry} onclose={() => (settling = false)} />{/if}
