<script lang="ts">
  import Field from '../../../ui/Field.svelte';
  import { searchParams } from 'sv-router';
  import { untrack } from 'svelte';
  import { answer, api, type Schema } from '../../../api/client';
  import { identified } from '../../../api/ids';
  import IntoBag from '../../../ui/bags/IntoBag.svelte';
  import RecordFoot from '../../../ui/impact/RecordFoot.svelte';
  import { Recording, type Change } from '../../../ui/impact/recording.svelte';
  import { p } from '../../../app/routes';
  import { UNREAD, type Product } from '../../../lib/unread';
  import { ProductDraft } from './productDraft.svelte';
  import Button from '../../../ui/Button.svelte';
  import Namesakes from './Namesakes.svelte';
  import ClassField from './ClassField.svelte';
  import { keptJar } from './keptJar';
  import ProductTabs from './ProductTabs.svelte';

  /** One product: what its label says, and what recording that would change. */
  let {
    known,
    brief = false,
    ondone
  }: {
    known?: Schema['ProductOut'];
    /** Whether only its label is wanted, as where one jar after another is read. */
    brief?: boolean;
    ondone?: (id: string) => void;
  } = $props();

  const recording = new Recording();
  const draft = new ProductDraft();
  /** What somebody else changed in the meantime, and where both did, in words. */
  let told = $state.raw<string[]>([]);
  /** Whether the sheet is open that puts the jar away or another one into it. */
  let keeping = $state(false);
  let tab = $state(searchParams.get('tab') === 'numbers' ? 'numbers' : 'label');
  /** The version that the draft was begun from: what others record meanwhile is not seen here. */
  let seen = untrack(() => known?.version ?? null);
  // A code that nobody knows begins a jar of its own.
  const scanned = searchParams.get('code');
  const kept = untrack(() => keptJar(known?.product.id ?? (scanned ? `code-${scanned}` : '')));
  /** When a draft that was kept from before was taken up again; empty where none was. */
  let recovered = $state('');
  untrack(() => {
    const found = kept.read();
    if (!found)
      return draft.begin(
        known?.product ?? (scanned ? { ...UNREAD, code: String(scanned) } : undefined)
      );
    draft.begin(found.before, found.piece);
    draft.label.evidence = found.evidence;
    seen = found.seen;
    recovered = found.at;
  });

  // Another jar may be opened at any moment: what was typed of this one is kept until it is recorded.
  $effect(() => {
    const { piece, before } = draft;
    if (piece === null || !draft.changed) return kept.forget();
    const at = new Date().toISOString();
    kept.keep({ before, piece, seen, evidence: draft.label.evidence, at });
  });

  function beginAnew() {
    kept.forget();
    recovered = '';
    draft.begin(known?.product);
    seen = known?.version ?? null;
  }

  // What was recorded beside this form (a maker, a fresh bag) is taken over while nothing is typed.
  $effect(() => {
    const fresh = known;
    untrack(() => {
      if (!fresh || draft.changed) return;
      draft.begin(fresh.product);
      seen = fresh.version;
    });
  });

  $effect(() => {
    const piece = draft.changed ? draft.piece : null;
    recording.preview(piece && (() => changeOf(piece)));
  });

  async function changeOf(piece: Product): Promise<Change> {
    return { change: 'product', product: await identified(piece) };
  }

  async function record() {
    draft.label.waiting?.();
    if (!draft.piece) return;
    const product = await identified(draft.piece);
    const done = await recording.record({ change: 'product', product }, seen);
    if (done) kept.forget();
    if (!done) {
      if (recording.overtaken?.content) await mergeWithTheirs(product);
      return;
    }
    told = [];
    recovered = '';
    draft.begin(product);
    seen = known?.version ?? seen;
    ondone?.(product.id);
  }

  /** Goes on from what somebody else recorded, with what was changed here on top of it. */
  async function mergeWithTheirs(mine: Product) {
    const params = { path: { id: mine.id } };
    const body = { base: draft.before, mine };
    const merged = await answer(api.POST('/api/v1/products/{id}/merged', { params, body }));
    told = [...merged.differences.map((line) => `They changed: ${line}`), ...merged.conflicts];
    draft.begin(merged.theirs, merged.product);
    seen = merged.version;
  }
</script>

{#if known && keeping}
  {#await import('./JarSheet.svelte') then { default: JarSheet }}
    <JarSheet {known} onclose={() => (keeping = false)} />
  {/await}
{/if}

<section
  class="grid min-h-0 grid-rows-[auto_minmax(0,1fr)_auto] max-phone:block max-phone:overflow-y-auto"
  aria-label="Product"
>
  <div class="border-b border-rule px-6 pt-3 pb-2 max-phone:px-3">
    <div class="grid grid-cols-[minmax(0,2fr)_1fr] gap-4 max-desk:grid-cols-1 max-desk:gap-1">
      <Field label="Name on the jar">
        <input
          class="field font-name text-name font-strong max-phone:text-base"
          bind:value={draft.name}
        />
      </Field>
      {#if !brief}<ClassField name={draft.name} bind:value={draft.className} />{/if}
    </div>
    {#if !known}<Namesakes name={draft.name} />{/if}
    {#if known?.product.retired}
      <p class="mt-1 text-clay" data-put-away>
        Put away since {known.product.retired}: it is not offered any more.
      </p>
    {/if}
    {#if known?.damaged}<p class="mt-1 text-brick" role="alert">{known.damaged}</p>{/if}
    {#if known && !brief}
      <div
        class="mt-1.5 flex items-center justify-between gap-4 max-phone:block max-phone:space-y-2"
      >
        <p class="text-soft">
          {#if known.goes_into.length > 0}
            Goes into
            {#each known.goes_into as pot, index (pot.id)}{index > 0 ? ', ' : ''}<a
                class="underline"
                href={p('/pots/:id', { params: { id: pot.id } })}>{pot.name}</a
              >{/each}
          {:else}
            Goes into no pot yet
          {/if}
          {#if known.in_goods.length > 0}
            · is in {known.in_goods.map((good) => good.name).join(', ')}
          {/if}
        </p>
        <span class="flex flex-none gap-2">
          <IntoBag items={[{ id: known.product.id, name: known.product.name }]} />
          <Button onclick={() => (keeping = true)}>Put away or merge</Button>
        </span>
      </div>
    {/if}
  </div>
  <ProductTabs {draft} {known} {brief} bind:tab />
  {#if tab !== 'makers' && tab !== 'picture' && tab !== 'history'}
    <div
      class="border-t border-rule bg-sheet px-6 py-3 max-phone:sticky max-phone:bottom-0 max-phone:z-10 max-phone:px-3 max-phone:py-2"
    >
      {#if recovered}
        <p class="flex flex-wrap items-center gap-x-3" data-recovered>
          Taken up again from {recovered.slice(0, 16).replace('T', ', ')}.
          <button type="button" class="min-h-11 underline underline-offset-4" onclick={beginAnew}
            >Begin anew</button
          >
        </p>
      {/if}
      {#each told as line (line)}<p class="text-clay" data-told>{line}</p>{/each}
      <RecordFoot
        {recording}
        disabled={!draft.changed}
        overtakenAct="Record mine with theirs"
        act={draft.label.waiting ? 'Take what was read and record' : 'Record'}
        hint={known
          ? 'Change what the label says; this shows which pots and plates follow.'
          : 'Give it a name. Until its label is read, nothing is taken as free.'}
        onrecord={record}
      />
    </div>
  {/if}
</section>
