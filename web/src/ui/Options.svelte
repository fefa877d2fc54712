<script lang="ts">
  import { Combobox } from 'bits-ui';

  /** The list that opens under a box of words: names, each with a note beside it. */
  let {
    entries,
    empty,
    above = false,
    wide = false
  }: {
    entries: { value: string; label: string; note: string }[];
    empty: string;
    above?: boolean;
    /** Whether it takes a phone's whole width. */
    wide?: boolean;
  } = $props();
</script>

<Combobox.Portal>
  <Combobox.Content
    sideOffset={4}
    align="start"
    class={[
      'max-h-96 min-w-72 w-[var(--bits-combobox-anchor-width)] overflow-y-auto border border-edge bg-sheet text-base text-ink',
      above ? 'z-[60]' : 'z-50',
      wide && 'max-phone:max-h-[60dvh] max-phone:w-dvw'
    ]}
  >
    {#each entries as entry (entry.value)}
      <Combobox.Item
        value={entry.value}
        label={entry.label}
        class="flex min-h-11 items-center justify-between gap-3 px-3 py-1 data-highlighted:bg-ladle-pale"
      >
        {entry.label}
        <span class="text-base whitespace-nowrap text-soft">{entry.note}</span>
      </Combobox.Item>
    {:else}
      <p class="px-3 py-3 text-soft">{empty}</p>
    {/each}
  </Combobox.Content>
</Combobox.Portal>
