<script lang="ts">
  import { untrack } from 'svelte';
  import type { Schema } from '../api/client';
  import { identified } from '../api/ids';
  import { kitchenQuery } from '../api/queries';
  import FlagToggles from '../flags/FlagToggles.svelte';
  import { asWords } from '../marks/levels';
  import Scroll from '../parts/Scroll.svelte';
  import RecordFoot from '../ripple/RecordFoot.svelte';
  import { Recording, type Change } from '../ripple/recording.svelte';
  import { p } from '../routes';
  import EvidenceFields from './EvidenceFields.svelte';
  import Numbers from './Numbers.svelte';
  import OtherwiseSwitch from './OtherwiseSwitch.svelte';
  import { ProductDraft, type Product } from './productDraft.svelte';

  /** One product: what its label says, and what recording that would change. */
  let { known, ondone }: { known?: Schema['ProductOut']; ondone?: (id: string) => void } = $props();

  const kitchen = kitchenQuery();
  const recording = new Recording();
  const draft = new ProductDraft();
  untrack(() => draft.begin(known?.product));

  $effect(() => {
    const piece = draft.changed ? draft.piece : null;
    void recording.preview(piece && changeOf(piece));
  });

  async function changeOf(piece: Product): Promise<Change> {
    draft.remember();
    return { change: 'product', product: await identified(piece) };
  }

  async function record() {
    if (!draft.piece) return;
    const product = await identified(draft.piece);
    const done = await recording.record({ change: 'product', product }, known?.version ?? null);
    if (!done) {
      const theirs = recording.overtaken?.content;
      if (theirs && 'otherwise' in theirs && !('lines' in theirs)) draft.rebase(theirs);
      return;
    }
    draft.begin(product);
    ondone?.(product.id);
  }
</script>

<section class="grid min-h-0 grid-rows-[auto_minmax(0,1fr)_auto]" aria-label="Product">
  <div class="grid grid-cols-[minmax(0,2fr)_1fr] gap-4 border-b border-rule px-6 pt-3.5 pb-3">
    <label class="block">
      <span class="text-soft">Name on the jar</span>
      <input class="field font-name text-[20px] font-[650]" bind:value={draft.name} />
    </label>
    <label class="block">
      <span class="text-soft">Class, for swaps</span>
      <select class="field" bind:value={draft.className}>
        {#each [...new Set( [...(kitchen.data?.classes ?? []), draft.className] )].sort() as name (name)}
          <option value={name}>{asWords(name)}</option>
        {/each}
      </select>
    </label>
  </div>
  <Scroll label="What the label says" class="px-6 pt-2 pb-4">
    {#if known && known.goes_into.length > 0}
      <p class="mt-2 text-soft">
        Goes into
        {#each known.goes_into as pot, index (pot.id)}
          {#if index > 0},
          {/if}<a class="underline" href={p('/pots/:id', { params: { id: pot.id } })}>{pot.name}</a>
        {/each}
      </p>
    {/if}
    <OtherwiseSwitch bind:otherwise={draft.otherwise} />
    <EvidenceFields {draft} before={known?.product.evidence ?? {}} />
    <h2 class="mt-4 text-[18px]">What the label says</h2>
    <FlagToggles
      flags={kitchen.data?.flags ?? []}
      statements={draft.statements}
      otherwise={draft.otherwise}
      onset={(flag, level) => draft.state(flag, level)}
    />
    <Numbers {draft} />
  </Scroll>
  <div class="border-t border-rule bg-sheet px-6 py-3">
    <RecordFoot
      {recording}
      disabled={!draft.changed}
      overtakenAct="Record mine with theirs"
      hint={known
        ? 'Change what the label says; this shows which pots and plates follow.'
        : 'Give it a name. Until its label is read, nothing is taken as free.'}
      onrecord={record}
    />
  </div>
</section>
