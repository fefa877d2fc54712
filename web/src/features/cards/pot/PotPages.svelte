<script module lang="ts">
  /** What a phone shows of a pot at a time. */
  export type PotPage = 'in' | 'carries' | 'out';
</script>

<script lang="ts">
  /** The three pages of a pot on a phone, causes on the left and consequences on the right. */
  let { page = $bindable() }: { page: PotPage } = $props();

  const PAGES: [PotPage, string][] = [
    ['in', 'Goes in'],
    ['carries', 'Carries'],
    ['out', 'Goes into']
  ];
</script>

<div class="hidden border-b border-rule px-3 max-[43.75rem]:flex" role="group" aria-label="Pages">
  {#each PAGES as [id, name] (id)}
    <button
      type="button"
      aria-pressed={page === id}
      class={[
        'min-h-11 border-b-[3px] px-3',
        page === id ? 'border-ladle font-[650]' : 'border-transparent'
      ]}
      onclick={() => (page = id)}>{name}</button
    >
  {/each}
</div>
