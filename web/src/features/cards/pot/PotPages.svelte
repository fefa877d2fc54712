<script module lang="ts">
  /** What a phone shows of a pot at a time. */
  export type PotPage = 'in' | 'carries' | 'out';
</script>

<script lang="ts">
  import Pick from '../../../ui/Pick.svelte';

  /** The three pages of a pot on a phone, causes on the left and consequences on the right. */
  let { page = $bindable() }: { page: PotPage } = $props();

  const PAGES: { value: PotPage; name: string }[] = [
    { value: 'in', name: 'Goes in' },
    { value: 'carries', name: 'Carries' },
    { value: 'out', name: 'Goes into' }
  ];
</script>

<div class="hidden border-b border-rule px-3 max-phone:block">
  <Pick label="Pages" options={PAGES} bind:value={page} />
</div>
