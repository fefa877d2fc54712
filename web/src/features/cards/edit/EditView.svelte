<script lang="ts">
  import { Tabs } from 'bits-ui';
  import { untrack } from 'svelte';
  import { identified } from '../../../api/ids';
  import { kitchenQuery } from '../../../api/queries';
  import Figures from '../figures/Figures.svelte';
  import QuietWarnings from '../pot/QuietWarnings.svelte';
  import RecordFoot from '../../../ui/impact/RecordFoot.svelte';
  import { Recording, type Change } from '../../../ui/impact/recording.svelte';
  import { navigate } from '../../../app/routes';
  import AsideEdit from './AsideEdit.svelte';
  import BeginFrom from './BeginFrom.svelte';
  import CardWords from './CardWords.svelte';
  import { CardDraft } from './cardDraft.svelte';
  import { Consequences } from './consequences.svelte';
  import EditFoot from './EditFoot.svelte';
  import FlagsEdit from './FlagsEdit.svelte';
  import HeadEdit from './HeadEdit.svelte';
  import LinesEdit from './LinesEdit.svelte';
  import type { Piece } from './pieces';
  import { amountsRead } from '../../../ui/amount/reading';
  import { Presence } from './presence.svelte';
  import StepsEdit from './StepsEdit.svelte';
  import { Merging } from './merging.svelte';
  import Together from './Together.svelte';

  /** The card on the left, what it comes to on the right; nothing counts until it is recorded. */
  let {
    base,
    version,
    names
  }: { base: Piece; version: number | null; names: Record<string, string> } = $props();

  const kitchen = kitchenQuery();
  const draft = new CardDraft();
  const consequences = new Consequences(draft);
  const recording = new Recording(consequences);
  const presence = new Presence(untrack(() => base.id || 'new'));
  untrack(() => draft.begin(base, version, names));
  const merging = new Merging(draft, presence, () => recording.reset());
  let tab = $state('lines');
  const tabClass =
    'min-h-11 border-b-3 border-transparent px-3 font-semibold data-[state=active]:border-ladle';

  $effect(() => (untrack(() => base.id) === '' ? undefined : presence.begin()));

  $effect(() => {
    const now = JSON.stringify(draft.piece);
    untrack(() => draft.note(now));
  });

  $effect(() => {
    const ready = draft.ready;
    untrack(() => recording.forget());
    consequences.look(ready);
  });

  async function record() {
    if ((await amountsRead()) || !draft.ready || draft.wants) return;
    const preparation = await identified(draft.ready);
    const change: Change = { change: 'preparation', preparation };
    const act = { stands: () => draft.drop() };
    if (!(await recording.record(change, draft.version, act))) {
      presence.standing = recording.overtaken?.version ?? presence.standing;
      return;
    }
    void navigate('/pots/:id', { params: { id: preparation.id } });
  }

  function leave() {
    draft.drop();
    void (base.id === '' ? navigate('/pots') : navigate('/pots/:id', { params: { id: base.id } }));
  }
</script>

<div class="grid h-full grid-cols-[minmax(0,1fr)_340px] max-desk:block max-desk:overflow-y-auto">
  <section class="relative min-h-0 overflow-y-auto px-5 py-3" aria-label="The card">
    <h1 class="text-title">{base.id === '' ? 'A new pot' : draft.piece.name || base.name}</h1>
    {#if draft.recovered}
      <p class="mb-2 border-l-4 border-ladle pl-3" data-recovered>
        Your draft of {new Date(draft.recovered).toLocaleString('sv-SE').slice(0, 16)} is here again.
      </p>
    {/if}
    <HeadEdit {draft} kitchen={kitchen.data} fresh={base.id === ''} />
    {#if base.id === '' && !draft.changed}
      <BeginFrom {draft} onflags={() => (tab = 'flags')} />
    {/if}
    <Tabs.Root bind:value={tab} class="mt-3">
      <Tabs.List class="flex gap-2 border-b border-rule max-phone:flex-wrap max-phone:gap-0">
        <Tabs.Trigger value="lines" class={tabClass}>What goes in</Tabs.Trigger>
        <Tabs.Trigger value="method" class={tabClass}>Method</Tabs.Trigger>
        <Tabs.Trigger value="aside" class={tabClass}>By-products and ways</Tabs.Trigger>
        <Tabs.Trigger value="flags" class={tabClass}>By its flags</Tabs.Trigger>
      </Tabs.List>
      <Tabs.Content value="lines" class="pt-3">
        <LinesEdit
          {draft}
          flags={consequences.draft?.flags ?? []}
          roles={kitchen.data?.roles ?? []}
          stages={kitchen.data?.stages ?? []}
          treatments={kitchen.data?.treatments ?? []}
        />
      </Tabs.Content>
      <Tabs.Content value="method" class="pt-3">
        <StepsEdit {draft} offered={consequences.draft?.figures.cautions ?? []} />
      </Tabs.Content>
      <Tabs.Content value="aside" class="pt-3"><AsideEdit {draft} /></Tabs.Content>
      <Tabs.Content value="flags" class="pt-3">
        <FlagsEdit
          {draft}
          flags={kitchen.data?.flags ?? []}
          otherwise={consequences.draft?.otherwise ?? 'unchecked'}
        />
      </Tabs.Content>
    </Tabs.Root>
  </section>
  <aside
    class="flex min-h-0 flex-col gap-3 overflow-y-auto border-l border-rule bg-sheet px-5 py-3 max-desk:contents"
    aria-label="What it comes to"
  >
    <h2 class="text-lead max-desk:sr-only">What it comes to</h2>
    <Together {merging} {presence} />
    <div
      class="max-desk:sticky max-desk:bottom-0 max-desk:z-10 max-desk:border-t max-desk:border-rule max-desk:bg-sheet max-desk:px-5 max-desk:py-2"
    >
      <RecordFoot
        {recording}
        wants={draft.wants}
        onmerge={merging.newer ? merging.merge : undefined}
        hint={draft.changed ? 'Working it out …' : 'Nothing is changed yet.'}
        onrecord={record}
      />
    </div>
    <div class="flex flex-col gap-3 max-desk:bg-sheet max-desk:px-5 max-desk:py-3">
      <EditFoot {draft} ondrop={leave} />
      <CardWords
        words={consequences.draft?.words ?? []}
        {draft}
        onaddline={() => {
          tab = 'lines';
          draft.addLine();
        }}
      />
      {#if consequences.draft}
        <QuietWarnings figures={consequences.draft.figures} />
        <Figures
          figures={consequences.draft.figures}
          id={base.id}
          kind={base.id === '' ? '' : draft.piece.kind}
        />
      {/if}
    </div>
  </aside>
</div>
