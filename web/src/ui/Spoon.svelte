<script lang="ts">
  import type { Stand } from '../lib/spoon';

  /**
   * The back of a spoon with the line that is drawn through what coats it: the thicker, the further
   * the coat reaches down and the cleaner the line stays.
   */
  let { stand, small = false }: { stand: Stand; small?: boolean } = $props();

  const coat = $derived(6 + stand.position * 30);
  const line = $derived(Math.max(0, stand.position - 0.3) * 5);
</script>

<svg
  viewBox="0 0 40 60"
  width={small ? 28 : 40}
  height={small ? 42 : 60}
  role="img"
  aria-label={stand.name}
  class="flex-none"
>
  <path d="M18 1h4v22h-4z" fill="var(--edge)" />
  <ellipse cx="20" cy="38" rx="14" ry="20" fill="var(--sheet)" stroke="var(--edge)" />
  <clipPath id="bowl-{coat}-{small}"><ellipse cx="20" cy="38" rx="13" ry="19" /></clipPath>
  <g clip-path="url(#bowl-{coat}-{small})">
    <rect x="6" y={57 - coat} width="28" height={coat} fill="var(--ladle-coat)" />
    {#if line > 0}
      <rect x={20 - line / 2} y="20" width={line} height="36" fill="var(--sheet)" />
    {/if}
  </g>
</svg>
