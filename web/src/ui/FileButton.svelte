<script lang="ts">
  import type { Snippet } from 'svelte';
  import Button from './Button.svelte';

  /** A button that has files chosen; with `camera` a phone takes a picture for it. */
  let {
    label,
    accept,
    disabled = false,
    multiple = false,
    camera = false,
    onfiles,
    children
  }: {
    label: string;
    accept: string;
    disabled?: boolean;
    multiple?: boolean;
    camera?: boolean;
    onfiles: (files: File[]) => void;
    children: Snippet;
  } = $props();

  let chooser = $state<HTMLInputElement>();
</script>

<!-- What is there for screen readers only must not make the page itself scroll. -->
<span class="relative">
  <Button {disabled} onclick={() => chooser?.click()}>{@render children()}</Button>
  <input
    bind:this={chooser}
    type="file"
    class="sr-only"
    tabindex="-1"
    aria-label={label}
    {accept}
    {multiple}
    capture={camera ? 'environment' : undefined}
    onchange={(event) => {
      const files = [...(event.currentTarget.files ?? [])];
      event.currentTarget.value = '';
      if (files.length > 0) onfiles(files);
    }}
  />
</span>
