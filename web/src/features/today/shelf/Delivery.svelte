<script lang="ts">
  import { answer, api, type Schema } from '../../../api/client';
  import { productQuery } from '../../../api/queries';
  import { Write } from '../../../api/write.svelte';
  import AmountBox from '../../../ui/amount/AmountBox.svelte';
  import Button from '../../../ui/Button.svelte';
  import ErrorText from '../../../ui/ErrorText.svelte';
  import Field from '../../../ui/Field.svelte';
  import ItemBox from '../../../ui/ItemBox.svelte';

  /** A delivery as it came: the good, and whatever else is known; nothing else is required. */
  let { ondone }: { ondone: () => void } = $props();

  const NONE_OF_OURS = '?';
  let product = $state('');
  let maker = $state('');
  let code = $state('');
  let useBy = $state('');
  let bestBefore = $state('');
  let place = $state('');
  let celsius = $state<number | null>(null);
  let amount = $state.raw<{ quantity: number; unit: string } | null>(null);

  const known = productQuery(() => product || null);
  const makers = $derived(known.data?.product.makers ?? []);
  const recording = new Write(
    () =>
      answer(
        api.POST('/api/v1/lots', {
          body: {
            product,
            maker: maker || null,
            code: code.trim(),
            use_by: useBy || null,
            best_before: bestBefore || null,
            place: place.trim(),
            celsius,
            ...amount
          } as Schema['LotIn']
        })
      ),
    { says: () => 'The delivery is recorded.', reaches: 'day' }
  );

  async function record() {
    if ((await recording.send(undefined)) !== null) ondone();
  }
</script>

<section class="border-b border-rule py-3" aria-labelledby="delivery" data-delivery>
  <h2 id="delivery" class="text-head">A delivery</h2>
  <div class="flex flex-wrap items-end gap-3 pt-2">
    <label class="block w-72" for="delivered">
      <span class="text-soft">What came</span>
      <ItemBox id="delivered" label="What came" only="product" bind:item={product} />
    </label>
    <Field label="Whose" class="w-56">
      <select class="field" bind:value={maker}>
        <option value="">not noted</option>
        {#each makers as each (each.id)}<option value={each.id}>{each.name}</option>{/each}
        <option value={NONE_OF_OURS}>another maker, none of ours</option>
      </select>
    </Field>
    <Field label="Lot" class="w-40">
      <input class="field" maxlength="200" autocomplete="off" bind:value={code} />
    </Field>
    <div class="w-36">
      <span class="text-soft">How much</span>
      <AmountBox
        quantity={amount?.quantity ?? 0}
        unit={amount?.unit ?? ''}
        item={product}
        label="How much came"
        onset={(quantity, unit) => (amount = { quantity, unit })}
      />
    </div>
    <Field label="Use by" class="w-44"><input class="field" type="date" bind:value={useBy} /></Field
    >
    <Field label="Best before" class="w-44">
      <input class="field" type="date" bind:value={bestBefore} />
    </Field>
    <Field label="It came at °C" class="w-32">
      <input class="field amount" type="number" step="0.1" bind:value={celsius} />
    </Field>
    <Field label="Where it stands" class="w-48">
      <input class="field" maxlength="200" autocomplete="off" bind:value={place} />
    </Field>
    <Button main disabled={product === '' || recording.busy} onclick={record}
      >Record the delivery</Button
    >
  </div>
  {#if maker === NONE_OF_OURS}
    <p class="pt-2 text-clay">
      Nothing is known of another maker's pack: it reads as not checked until its label is taken
      into the larder.
    </p>
  {/if}
  <ErrorText error={recording.error} />
</section>
