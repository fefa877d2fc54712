<script lang="ts">
  import { announcements } from '../api/announce.svelte';
</script>

<div
  role="status"
  aria-live="polite"
  class={[
    'pointer-events-none fixed bottom-4 left-28 z-40 max-w-[350px] border-l-4 border-ladle bg-ink px-4 py-3 text-porcelain',
    announcements.text === '' && 'invisible'
  ]}
>
  {announcements.text}
</div>
