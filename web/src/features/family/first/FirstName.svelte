<script lang="ts">
  import { untrack } from 'svelte';
  import { answer, api, type Schema } from '../../../api/client';
  import { Write } from '../../../api/write.svelte';
  import Button from '../../../ui/Button.svelte';
  import ErrorText from '../../../ui/ErrorText.svelte';
  import Field from '../../../ui/Field.svelte';

  /** The kitchen's name and its law, on the way; both have a value that may stay. */
  let { kitchen }: { kitchen: Schema['KitchenOut'] } = $props();

  let name = $state(untrack(() => kitchen.name));
  let regime = $state(untrack(() => kitchen.regime));
  const writing = new Write((body: Schema['KitchenIn']) =>
    answer(api.PUT('/api/v1/kitchen', { body }))
  );

  function record() {
    const { second_look_days, people, measures, spoons, swap_order } = kitchen;
    const { weigh_to_g, measure_to_ml, so2_by_amount } = kitchen;
    const kept = { second_look_days, people, measures, spoons, swap_order };
    const rounding = { weigh_to_g, measure_to_ml, so2_by_amount };
    const seen = kitchen.version;
    void writing.send({ ...kept, ...rounding, name: name.trim(), regime, seen });
  }

  const other = $derived(name.trim() !== kitchen.name || regime !== kitchen.regime);
</script>

<section class="mt-8 max-w-4xl border-t border-rule pt-4" aria-labelledby="first-name">
  <h3 id="first-name" class="text-lead">The kitchen</h3>
  <div class="mt-1 flex flex-wrap items-end gap-3">
    <Field label="Name" class="w-64">
      <input class="field" maxlength="200" bind:value={name} />
    </Field>
    <Field label="Declares by" class="w-64">
      <select class="field" bind:value={regime}>
        {#each kitchen.regimes as known (known.id)}
          <option value={known.id}>{known.name}</option>
        {/each}
      </select>
    </Field>
    {#if other}
      <Button disabled={name.trim() === '' || writing.busy} onclick={record}>Record</Button>
    {/if}
  </div>
  <p class="mt-1 text-soft">Both can be changed at any time. Check your local law.</p>
  <ErrorText error={writing.error} />
</section>
