<script lang="ts">
  import { Button } from 'bits-ui';
  import type { Snippet } from 'svelte';

  /** Something to do. `main` is the one main action of a place and the only yellow one. */
  let {
    main = false,
    href,
    disabled = false,
    onclick,
    children
  }: {
    main?: boolean;
    href?: string;
    disabled?: boolean;
    onclick?: () => void;
    children: Snippet;
  } = $props();
</script>

<Button.Root
  {href}
  {disabled}
  {onclick}
  class={[
    'inline-flex min-h-11 items-center gap-2.5 border-[1.5px] px-4 font-semibold whitespace-nowrap disabled:cursor-not-allowed disabled:opacity-55',
    main
      ? 'border-ladle bg-ladle text-on-ladle hover:border-on-ladle'
      : 'border-ink bg-sheet text-ink hover:bg-ladle-pale'
  ]}
>
  {@render children()}
</Button.Root>
