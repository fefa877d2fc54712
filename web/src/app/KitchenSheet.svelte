<script lang="ts">
  import Field from '../ui/Field.svelte';
  import { untrack } from 'svelte';
  import { answer, api, type Schema } from '../api/client';
  import { healthQuery } from '../api/queries';
  import { Write } from '../api/write.svelte';
  import { amountsRead } from '../ui/amount/reading';
  import { KeptForm } from '../lib/keptForm.svelte';
  import Button from '../ui/Button.svelte';
  import Sheet from '../ui/Sheet.svelte';
  import ErrorText from '../ui/ErrorText.svelte';
  import HouseFlags from './HouseFlags.svelte';
  import MeasuresPart from './MeasuresPart.svelte';
  import SwapOrder from './SwapOrder.svelte';

  /** Names the kitchen and its people, and picks the law that it declares by. */
  let { kitchen, onclose }: { kitchen: Schema['KitchenOut']; onclose: () => void } = $props();

  // What was seen when the sheet was opened; what others record meanwhile changes nothing here.
  const form = untrack(
    () =>
      new KeptForm('kitchen', kitchen.made_up ? 'made-up' : '', {
        seen: kitchen.version,
        name: kitchen.name,
        regime: kitchen.regime,
        days: kitchen.second_look_days,
        zone: kitchen.time_zone ?? '',
        people: kitchen.people.map((person) => ({ ...person })),
        own: {
          measures: kitchen.measures.map((measure) => ({ ...measure })),
          spoons: kitchen.spoons,
          weigh_to_g: kitchen.weigh_to_g,
          measure_to_ml: kitchen.measure_to_ml,
          so2_by_amount: kitchen.so2_by_amount
        },
        order: [...kitchen.swap_order]
      })
  );
  const fields = $derived(form.fields);
  const health = healthQuery();
  const writing = new Write((body: Schema['KitchenIn']) =>
    answer(api.PUT('/api/v1/kitchen', { body }))
  );

  async function record() {
    if (await amountsRead()) return;
    const { seen, days, own, order, people } = fields;
    const wanted = {
      name: fields.name.trim(),
      regime: fields.regime,
      second_look_days: days,
      time_zone: fields.zone.trim() || null,
      people: people.filter((person) => person.initials.trim() && person.name.trim()),
      ...own,
      swap_order: order,
      measures: own.measures.filter((measure) => measure.name.trim() && measure.quantity > 0),
      seen
    };
    if (!(await writing.send(wanted))) return;
    form.clear();
    onclose();
  }
</script>

<Sheet bind:open={() => true, onclose} title="The kitchen">
  <div class="grid gap-4">
    {#if form.recovered}
      <p class="flex flex-wrap items-center gap-x-3" data-recovered>
        What was not recorded is here again.
        <button
          type="button"
          class="min-h-11 underline underline-offset-4"
          onclick={() => form.clear()}>Begin anew</button
        >
      </p>
    {/if}
    <Field label="Name">
      <input class="field" bind:value={form.fields.name} />
    </Field>
    <Field label="Declares by">
      <select class="field" bind:value={form.fields.regime}>
        {#each kitchen.regimes as known (known.id)}
          <option value={known.id}>{known.name}</option>
        {/each}
      </select>
    </Field>
    <p class="text-soft">
      What the pots carry stays as it is; only what must be declared changes. Check your local law.
    </p>
    <Field label="Re-read labels after, days" class="w-72">
      <input class="field amount" type="number" min="1" max="3650" bind:value={form.fields.days} />
    </Field>
    <Field label="Time zone; empty for that of this machine" class="w-72">
      <input
        class="field"
        maxlength="80"
        autocomplete="off"
        placeholder="Europe/London"
        bind:value={form.fields.zone}
      />
    </Field>
    <fieldset>
      <legend class="text-soft">People, by their initials</legend>
      {#each form.fields.people as person, index (index)}
        <div class="mt-2 grid grid-cols-[90px_minmax(0,1fr)_auto] gap-2">
          <input
            class="field"
            maxlength="8"
            aria-label="Initials of person {index + 1}"
            bind:value={person.initials}
          />
          <input
            class="field"
            maxlength="200"
            aria-label="Name of person {index + 1}"
            bind:value={person.name}
          />
          <Button onclick={() => (form.fields.people = fields.people.filter((_, n) => n !== index))}
            >Remove</Button
          >
        </div>
      {/each}
      <div class="mt-2">
        <Button
          onclick={() => (form.fields.people = [...fields.people, { initials: '', name: '' }])}
          >Add a person</Button
        >
      </div>
    </fieldset>
    <HouseFlags flags={kitchen.flags} />
    <MeasuresPart bind:own={form.fields.own} />
    <SwapOrder bind:order={form.fields.order} />
    <p class="text-soft" data-backups>
      {health.data?.backups.last
        ? `Last backup, verified: ${new Date(health.data.backups.last).toLocaleString('sv-SE').slice(0, 16)}.`
        : 'No backup was made yet; one is made each night.'}
    </p>
    <ErrorText error={writing.error} />
  </div>
  {#snippet foot()}
    <Button main disabled={fields.name.trim() === ''} onclick={record}>Record</Button>
  {/snippet}
</Sheet>
