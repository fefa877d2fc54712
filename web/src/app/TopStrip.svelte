<script lang="ts">
  import IconButton from '../ui/IconButton.svelte';
  import PenLine from '@lucide/svelte/icons/pen-line';
  import Moon from '@lucide/svelte/icons/moon';
  import Settings2 from '@lucide/svelte/icons/settings-2';
  import Sun from '@lucide/svelte/icons/sun';
  import { kitchenQuery } from '../api/queries';
  import PotMark from '../ui/marks/PotMark.svelte';
  import { p } from './routes';
  import FindBox from './FindBox.svelte';
  import { currentUser } from '../api/currentUser.svelte';
  import { theme } from './theme.svelte';

  const kitchen = kitchenQuery();
  let naming = $state(false);
</script>

<header
  class="flex items-center gap-5 border-b border-rule bg-sheet px-5 max-phone:gap-2 max-phone:px-3 max-tiny:flex-wrap max-tiny:justify-between max-tiny:gap-x-0 max-tiny:px-0"
>
  {#if kitchen.data}
    <button
      type="button"
      class="flex min-h-11 items-center gap-5 text-left hover:underline max-phone:hidden"
      onclick={() => (naming = true)}
    >
      <span class="font-name text-name font-strong">{kitchen.data.name}</span>
      <span class="text-soft max-desk:hidden">declares by {kitchen.data.regime_name}</span>
    </button>
    {#if naming}
      {#await import('./KitchenSheet.svelte') then { default: KitchenSheet }}
        <KitchenSheet kitchen={kitchen.data} onclose={() => (naming = false)} />
      {/await}
    {/if}
  {/if}
  <div
    class="ml-auto w-[360px] min-w-0 max-phone:ml-0 max-phone:w-auto max-phone:flex-1 max-tiny:order-last max-tiny:flex-none max-tiny:basis-full"
  >
    <FindBox />
  </div>
  {#if kitchen.data}
    <a
      href={p('/unchecked')}
      class="flex min-h-11 items-center gap-2 font-semibold text-clay hover:underline"
    >
      <PotMark level="unchecked" decorative />
      {kitchen.data.unchecked}
      <span class="max-phone:sr-only">not checked</span>
    </a>
  {/if}
  <button
    type="button"
    class={[
      'flex min-h-11 min-w-11 items-center justify-center gap-2 hover:underline',
      currentUser.initials ? '' : 'text-clay'
    ]}
    aria-label={currentUser.initials ? `Writing: ${currentUser.initials}` : 'Say who is writing'}
    onclick={() => (currentUser.asking = true)}
    data-writing
  >
    <PenLine size={18} aria-hidden="true" />
    <span class="amount font-semibold">{currentUser.initials ?? ''}</span>
    {#if !currentUser.initials}<span class="max-phone:sr-only">who?</span>{/if}
  </button>
  {#if currentUser.asking}
    {#await import('./WriterSheet.svelte') then { default: WriterSheet }}
      <WriterSheet />
    {/await}
  {/if}
  <IconButton
    label="The kitchen's settings: {kitchen.data?.name ?? ''}"
    onclick={() => (naming = true)}><Settings2 size={20} /></IconButton
  >
  <IconButton
    label={theme.night ? 'Day colours' : 'Dark colours for the night pass'}
    onclick={() => theme.toggle()}
    >{#if theme.night}<Sun size={20} />{:else}<Moon size={20} />{/if}</IconButton
  >
</header>
