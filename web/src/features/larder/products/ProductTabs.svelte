<script lang="ts">
  import { Tabs } from 'bits-ui';
  import type { Schema } from '../../../api/client';
  import { historyQuery, kitchenQuery } from '../../../api/queries';
  import FlagToggles from '../../../ui/flags/FlagToggles.svelte';
  import ChangeLog from '../../../ui/changes/ChangeLog.svelte';
  import Scroll from '../../../ui/Scroll.svelte';
  import Certificates from './Certificates.svelte';
  import EvidenceFields from './EvidenceFields.svelte';
  import LabelReader from './LabelReader.svelte';
  import MadeOf from './MadeOf.svelte';
  import Makers from './Makers.svelte';
  import Numbers from './Numbers.svelte';
  import OtherwiseSwitch from './OtherwiseSwitch.svelte';
  import Picture from './Picture.svelte';
  import PlainOffer from './PlainOffer.svelte';
  import type { ProductDraft } from './productDraft.svelte';
  import StartFrom from './StartFrom.svelte';
  import VoicePick from './VoicePick.svelte';

  /** The sides of one product: its label, its makers, what it is made of, and so on. */
  let {
    draft,
    known,
    brief,
    tab = $bindable()
  }: {
    draft: ProductDraft;
    known?: Schema['ProductOut'];
    brief: boolean;
    tab: string;
  } = $props();

  const kitchen = kitchenQuery();
  const history = historyQuery(() => known?.product.id ?? null);
  const TABS = $derived([
    ['label', 'Label'],
    ...(known ? [['makers', `Makers${makerCount(known)}`]] : []),
    ['parts', 'Made of'],
    ['numbers', 'Numbers and certificates'],
    ...(known
      ? [
          ['picture', 'Picture'],
          ['history', 'History']
        ]
      : [])
  ] as [string, string][]);

  function makerCount(product: Schema['ProductOut']): string {
    const makers = product.product.makers?.length ?? 0;
    return makers > 0 ? ` ${makers}` : '';
  }
</script>

<Tabs.Root
  bind:value={tab}
  class="grid min-h-0 {brief ? '' : 'grid-rows-[auto_minmax(0,1fr)]'} max-phone:block"
>
  {#if !brief}
    <Tabs.List
      class="flex border-b border-rule px-4 max-tablet:flex-wrap max-phone:px-1"
      aria-label="Sides of the product"
    >
      {#each TABS as [value, text] (value)}
        <Tabs.Trigger
          {value}
          class="min-h-11 border-b-3 border-transparent px-2.5 data-[state=active]:border-ladle data-[state=active]:font-semibold"
        >
          {text}
        </Tabs.Trigger>
      {/each}
    </Tabs.List>
  {/if}
  <Scroll label="The product" class="px-6 pb-4 max-phone:overflow-visible max-phone:px-3">
    <Tabs.Content value="label" aria-labelledby={brief ? 'label-text' : undefined}>
      {#if !known}<StartFrom {draft} />{/if}
      {#if draft.voices.length > 1}<VoicePick {draft} />{/if}
      {#key draft.label}
        <PlainOffer {draft} />
        <LabelReader label={draft.label} />
        <OtherwiseSwitch bind:otherwise={draft.label.otherwise} />
        <EvidenceFields label={draft.label} secondLook={known?.second_look ?? false} />
        <h2 class="mt-4 text-lead">Flag by flag</h2>
        <FlagToggles
          flags={kitchen.data?.flags ?? []}
          statements={draft.label.statements}
          otherwise={draft.label.otherwise}
          onset={(flag, level) => draft.label.state(flag, level)}
        />
      {/key}
    </Tabs.Content>
    <Tabs.Content value="makers"
      >{#if known}<Makers {known} />{/if}</Tabs.Content
    >
    <Tabs.Content value="parts"><MadeOf {draft} inside={known?.inside ?? []} /></Tabs.Content>
    <Tabs.Content value="numbers">
      {#if draft.voices.length > 1}<VoicePick {draft} />{/if}
      <Numbers {draft} />
      <Certificates label={draft.label} runOut={known?.run_out ?? []} />
    </Tabs.Content>
    <Tabs.Content value="picture"
      >{#if known}<Picture {known} />{/if}</Tabs.Content
    >
    <Tabs.Content value="history"><ChangeLog entries={history.data ?? []} /></Tabs.Content>
  </Scroll>
</Tabs.Root>
