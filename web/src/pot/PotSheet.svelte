<script lang="ts">
  import { Tabs } from 'bits-ui';
  import { identified } from '../api/ids';
  import { kitchenQuery } from '../api/queries';
  import { selection } from '../family/selection.svelte';
  import FlagToggles from '../flags/FlagToggles.svelte';
  import Sheet from '../parts/Sheet.svelte';
  import RecordFoot from '../ripple/RecordFoot.svelte';
  import { Recording, type Change } from '../ripple/recording.svelte';
  import LineFields from './LineFields.svelte';
  import type { Pot } from './lines';
  import OtherwiseChoice from './OtherwiseChoice.svelte';
  import PotNameFields from './PotNameFields.svelte';
  import { PotDraft, type Piece } from './potDraft.svelte';

  /** Records a pot, new or known: by its lines, by its flags alone, or by both. */
  let { open = $bindable(), pot }: { open: boolean; pot?: Pot } = $props();

  const kitchen = kitchenQuery();
  const recording = new Recording();
  const draft = new PotDraft();
  let tab = $state('lines');
  const tabClass =
    'min-h-11 border-b-[3px] border-transparent px-3 font-semibold data-[state=active]:border-ladle';

  $effect(() => {
    if (!open) return;
    draft.begin(pot);
    recording.reset();
    tab = 'lines';
  });

  $effect(() => {
    const piece = draft.piece;
    if (open) void recording.preview(piece && (() => changeOf(piece)));
  });

  async function changeOf(piece: Piece): Promise<Change> {
    return { change: 'preparation', preparation: await identified(piece) };
  }

  async function record() {
    if (!draft.piece || draft.wants) return;
    const preparation = await identified(draft.piece);
    const seen = pot?.version ?? null;
    if (await recording.record({ change: 'preparation', preparation }, seen)) {
      selection.pot = preparation.id;
      open = false;
    }
  }
</script>

<Sheet bind:open title={pot ? pot.preparation.name : 'Record a pot'} wide>
  <PotNameFields {draft} kinds={kitchen.data?.kinds ?? []} classes={kitchen.data?.classes ?? []} />
  <Tabs.Root bind:value={tab} class="mt-4">
    <Tabs.List class="flex gap-2 border-b border-rule">
      <Tabs.Trigger value="lines" class={tabClass}>By its lines</Tabs.Trigger>
      <Tabs.Trigger value="flags" class={tabClass}>By its flags</Tabs.Trigger>
    </Tabs.List>
    <Tabs.Content value="lines" class="pt-3">
      <LineFields
        {draft}
        units={kitchen.data?.units ?? []}
        roles={kitchen.data?.roles ?? []}
        stages={kitchen.data?.stages ?? []}
      />
    </Tabs.Content>
    <Tabs.Content value="flags" class="pt-3">
      <p class="mb-2 max-w-2xl text-soft">
        What is known of this pot itself. It can raise what the lines bring, never lower it.
      </p>
      <OtherwiseChoice
        value={draft.otherwise}
        rule={draft.lines.length === 0
          ? 'not checked, while there is no card'
          : 'free, as only the lines go in'}
        onset={(level) => (draft.otherwise = level)}
      />
      <FlagToggles
        flags={kitchen.data?.flags ?? []}
        statements={draft.statements}
        otherwise={draft.ownOtherwise}
        onset={(flag, level) => draft.state(flag, level)}
      />
    </Tabs.Content>
  </Tabs.Root>
  {#snippet foot()}
    <RecordFoot {recording} wants={draft.wants} onrecord={record} />
  {/snippet}
</Sheet>
