<script lang="ts">
  import Field from '../../../ui/Field.svelte';
  import { untrack } from 'svelte';
  import type { Schema } from '../../../api/client';
  import { KeptForm } from '../../../lib/keptForm.svelte';
  import LevelLists from '../../../ui/marks/LevelLists.svelte';
  import Button from '../../../ui/Button.svelte';
  import RecordFoot from '../../../ui/impact/RecordFoot.svelte';
  import { Recording, type Change } from '../../../ui/impact/recording.svelte';

  /** The makers of a product: who gives what, which of them counts, and one more. */
  let { known }: { known: Schema['ProductOut'] } = $props();

  const recording = new Recording();
  let wanted = $state.raw<Change | null>(null);
  const form = untrack(
    () =>
      new KeptForm('maker', known.product.id, {
        name: '',
        pack: '',
        code: '',
        sulphites: null as number | null
      })
  );
  const typed = $derived(form.fields);

  const product = $derived(known.product);
  const makers = $derived(product.makers ?? []);
  const given = $derived(known.given_by.filter((voice) => voice.maker !== ''));

  function choose(change: Change) {
    wanted = change;
    recording.preview(change);
  }

  const use = (maker: string | null) =>
    choose({ change: 'maker_in_use', product: product.id, maker });

  function add() {
    choose({
      change: 'maker',
      product: product.id,
      maker: {
        id: '',
        name: typed.name.trim(),
        statements: {},
        otherwise: 'unchecked',
        certificates: [],
        papers: {},
        evidence: {},
        label: '',
        pack: typed.pack.trim(),
        code: typed.code.trim(),
        so2_mg_per_kg: typed.sulphites
      }
    });
  }

  async function record() {
    if (!wanted) return;
    if (await recording.record(wanted, known.version)) {
      if (wanted.change === 'maker') form.clear();
      wanted = null;
    }
  }
</script>

<h2 class="mt-3 text-lead">Who makes it</h2>
{#if makers.length === 0}
  <p class="text-soft">
    One label, no maker named. With the first maker that you add, what is recorded now becomes the
    label "as recorded before", and the product carries the highest of both.
  </p>
{:else}
  <fieldset class="mt-1">
    <legend class="text-soft">Which label counts</legend>
    <label class="flex min-h-11 items-center gap-2">
      <input
        type="radio"
        class="size-5"
        name="in-use"
        checked={product.in_use == null}
        onchange={() => use(null)}
      />
      Any of them may be in the house: the highest over all counts
    </label>
    {#each given as voice (voice.maker)}
      {@const maker = makers.find((entry) => entry.id === voice.maker)}
      <div
        class="grid grid-cols-[minmax(0,1fr)_minmax(0,1.2fr)_auto] items-start gap-4 border-t border-rule py-2"
      >
        <label class="flex min-h-11 items-start gap-2">
          <input
            type="radio"
            class="mt-1 size-5"
            name="in-use"
            checked={product.in_use === voice.maker}
            onchange={() => use(voice.maker)}
          />
          <span>
            <span class="font-amount">Only {voice.name}</span>
            <span class="block text-soft">
              {[
                maker?.pack,
                maker?.code,
                maker?.so2_mg_per_kg == null ? '' : `${maker.so2_mg_per_kg} mg/kg SO2`
              ]
                .filter(Boolean)
                .join(' · ') || 'no pack or code noted'}
              {voice.counts ? '' : ' · does not count now'}
            </span>
          </span>
        </label>
        <div><LevelLists flags={voice.flags} /></div>
        <Button
          onclick={() =>
            choose({ change: 'maker_dropped', product: product.id, maker: voice.maker })}
        >
          Drop
        </Button>
      </div>
    {/each}
  </fieldset>
{/if}
<h3 class="mt-4 text-lead">One more maker</h3>
<div class="flex flex-wrap items-end gap-3">
  <Field label="Name of the maker" class="w-60">
    <input class="field" autocomplete="off" maxlength="200" bind:value={form.fields.name} />
  </Field>
  <Field label="Pack" class="w-36">
    <input class="field" autocomplete="off" maxlength="200" bind:value={form.fields.pack} />
  </Field>
  <Field label="Bar code" class="w-44">
    <input
      class="field amount"
      inputmode="numeric"
      autocomplete="off"
      maxlength="14"
      bind:value={form.fields.code}
    />
  </Field>
  <Field label="Total SO2, mg/kg" class="w-40">
    <input
      class="field amount"
      type="number"
      min="0"
      step="any"
      bind:value={form.fields.sulphites}
    />
  </Field>
  <Button disabled={typed.name.trim() === ''} onclick={add}>See what it would change</Button>
</div>
<div class="mt-4 border-t border-rule pt-3">
  <RecordFoot
    {recording}
    disabled={wanted === null}
    hint="Choose a maker or add one; this shows which pots and plates follow. Its label is unread until somebody reads it."
    onrecord={record}
  />
</div>
