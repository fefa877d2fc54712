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
  class="flex items-center gap-5 border-b border-rule bg-sheet px-5 max-[43.75rem]:gap-2 max-[43.75rem]:px-3 max-[15rem]:flex-wrap max-[15rem]:justify-between max-[15rem]:gap-x-0 max-[15rem]:px-0"
>
  {#if kitchen.data}
    <button
      type="button"
      class="flex min-h-11 items-center gap-5 text-left hover:underline max-[43.75rem]:hidden"
      onclick={() => (naming = true)}
    >
      <span class="font-name text-name font-[650]">{kitchen.data.name}</span>
      <span class="text-soft max-[62.5rem]:hidden">declares by {kitchen.data.regime_name}</span>
    </button>
    {#if naming}
      {#await import('./KitchenSheet.svelte') then { default: KitchenSheet }}
        <KitchenSheet kitchen={kitchen.data} onclose={() => (naming = false)} />
      {/await}
    {/if}
  {/if}
  <div
    class="ml-auto w-[360px] min-w-0 max-[43.75rem]:ml-0 max-[43.75rem]:w-auto max-[43.75rem]:flex-1 max-[15rem]:order-last max-[15rem]:flex-none max-[15rem]:basis-full"
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
      <span class="max-[43.75rem]:sr-only">not checked</span>
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
    {#if !currentUser.initials}<span class="max-[43.75rem]:sr-only">who?</span>{/if}
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
