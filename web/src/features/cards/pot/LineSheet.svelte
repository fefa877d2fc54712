<script lang="ts">
  import Field from '../../../ui/Field.svelte';
  import { untrack } from 'svelte';
  import AmountBox from '../../../ui/amount/AmountBox.svelte';
  import { amountsRead } from '../../../ui/amount/reading';
  import Button from '../../../ui/Button.svelte';
  import ItemBox from '../../../ui/ItemBox.svelte';
  import Sheet from '../../../ui/Sheet.svelte';
  import RecordFoot from '../../../ui/impact/RecordFoot.svelte';
  import { Recording, type Change } from '../../../ui/impact/recording.svelte';
  import { p } from '../../../app/routes';
  import type { Line, Pot } from '../../../lib/lines';

  /** Changes one line: another item, another amount, or the alternative that is in use. */
  let { pot, line, onclose }: { pot: Pot; line: Line; onclose: () => void } = $props();

  const recording = new Recording();
  // The line and the card as they were seen when this was opened.
  const before = untrack(() => line.line);
  const index = untrack(() => line.index);
  const seen = untrack(() => pot.version);
  let item = $state(before.item);
  let quantity = $state(before.quantity);
  let unit = $state(before.unit);
  let typed = $state(before.typed ?? '');
  let tools = $state((before.equipment ?? []).join(', '));
  let choosing = $state(false);

  const equipment = $derived(
    tools
      .split(',')
      .map((name) => name.trim())
      .filter(Boolean)
  );

  const opens = $derived(
    line.item_kind === 'product'
      ? p('/larder/:id', { params: { id: line.owner } })
      : p('/pots/:id', { params: { id: line.owner } })
  );

  const change = $derived.by((): Change | null => {
    const preparation = pot.preparation.id;
    const was = before.item;
    if (choosing) return { change: 'choice', preparation, line: index, was };
    const same =
      item === before.item &&
      quantity === before.quantity &&
      unit === before.unit &&
      typed === (before.typed ?? '');
    const sameTools = equipment.join() === (before.equipment ?? []).join();
    if (same && sameTools) return null;
    return {
      change: 'line',
      preparation,
      line: index,
      was,
      to: { ...before, item, quantity, unit, typed, equipment }
    };
  });

  $effect(() => recording.preview(change));

  async function record() {
    if (await amountsRead()) return;
    if (change && (await recording.record(change, seen))) onclose();
  }
</script>

<Sheet bind:open={() => true, onclose} title="{line.name} in {pot.preparation.name}">
  <div class="grid gap-4">
    <a class="underline" href={opens} onclick={onclose}>
      {line.item_kind === 'product' ? 'Open its label in the larder' : 'Open this pot'}
    </a>
    {#if line.line.choice && !line.counted}
      <div>
        <Button onclick={() => (choosing = !choosing)}>
          {choosing ? 'Leave the choice as it is' : `Use this for the ${line.line.choice}`}
        </Button>
      </div>
    {/if}
    {#if !choosing}
      <Field label="Item">
        <ItemBox id="line-item" bind:item name={line.name} />
      </Field>
      <div class="block w-52">
        <span class="text-soft">Amount, as you type it: 1 1/2 l, 2 bunches</span>
        <AmountBox
          {quantity}
          {unit}
          {typed}
          {item}
          label="Amount"
          onset={(...found) => ([quantity, unit, typed] = found)}
        />
      </div>
      <Field label="Tools it goes through, by name, with commas between">
        <input class="field" autocomplete="off" maxlength="400" bind:value={tools} />
      </Field>
    {/if}
  </div>
  {#snippet foot()}
    <RecordFoot {recording} disabled={change === null} onrecord={record} />
  {/snippet}
</Sheet>
