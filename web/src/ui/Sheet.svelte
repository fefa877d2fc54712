<script lang="ts">
  import X from '@lucide/svelte/icons/x';
  import { Dialog } from 'bits-ui';
  import type { Snippet } from 'svelte';

  /** A sheet laid over the place: a heading, its content, and what can be done at the foot. */
  let {
    open = $bindable(),
    title,
    wide = false,
    children,
    foot
  }: {
    open: boolean;
    title: string;
    wide?: boolean;
    children: Snippet;
    foot?: Snippet;
  } = $props();
</script>

<Dialog.Root bind:open>
  <Dialog.Portal>
    <Dialog.Overlay class="fixed inset-0 z-40 bg-[#20242c]/45" />
    <Dialog.Content
      class={[
        'fixed top-1/2 left-1/2 z-50 flex max-h-[92dvh] w-[94vw] -translate-x-1/2 -translate-y-1/2 flex-col border-t-6 border-ladle bg-porcelain text-ink',
        wide ? 'max-w-[980px]' : 'max-w-[620px]'
      ]}
    >
      <div class="flex items-start justify-between gap-4 px-6 pt-4 pb-3">
        <Dialog.Title class="font-name text-head leading-tight font-strong">{title}</Dialog.Title>
        <Dialog.Close class="grid size-11 flex-none place-items-center" aria-label="Close">
          <X size={22} />
        </Dialog.Close>
      </div>
      <div class="min-h-0 flex-1 overflow-y-auto px-6 pb-5">{@render children()}</div>
      {#if foot}
        <div class="border-t border-rule bg-sheet px-6 py-3">{@render foot()}</div>
      {/if}
    </Dialog.Content>
  </Dialog.Portal>
</Dialog.Root>
