<script lang="ts">
  import type { Level } from '../api/client';
  import { levelWord } from './levels';

  /** A pot seen from above: full, half full, lid on, or empty. `decorative` where a word says it. */
  let {
    level,
    decorative = false,
    small = false,
    brick = false
  }: { level: Level; decorative?: boolean; small?: boolean; brick?: boolean } = $props();

  const colour = $derived(
    brick
      ? 'text-brick'
      : level === 'free'
        ? 'text-edge'
        : level === 'unchecked'
          ? 'text-clay'
          : 'text-enamel'
  );
</script>

<svg
  viewBox="0 0 20 20"
  class={['inline-block flex-none', small ? 'size-[18px]' : 'size-5', colour]}
  role={decorative ? undefined : 'img'}
  aria-hidden={decorative || undefined}
  aria-label={decorative ? undefined : levelWord(level)}
>
  {#if level === 'free'}
    <circle cx="10" cy="10" r="5.6" fill="none" stroke="currentColor" stroke-width="1.2" />
  {:else}
    <path
      d="M1.2 8.2v3.6M18.8 8.2v3.6"
      stroke="currentColor"
      stroke-width="2"
      stroke-linecap="round"
    />
    <circle
      cx="10"
      cy="10"
      r="6.6"
      fill={level === 'unchecked' ? 'var(--clay-pale)' : 'var(--sheet)'}
      stroke="currentColor"
      stroke-width="1.8"
      stroke-dasharray={level === 'unchecked' ? '3.2 1.9' : undefined}
    />
    {#if level === 'contains'}
      <circle cx="10" cy="10" r="4.6" fill="currentColor" />
    {:else if level === 'may_contain'}
      <path d="M5.4 10a4.6 4.6 0 0 0 9.2 0z" fill="currentColor" />
    {:else}
      <rect x="6.6" y="8.7" width="6.8" height="2.6" rx="1.3" fill="currentColor" />
    {/if}
  {/if}
</svg>
