<script lang="ts">
  import type { Level } from '../../api/client';
  import { levelWord } from './levels';

  /** A pot seen from above: full, half full, lid on, or empty. `decorative` where a word says it. */
  let {
    level,
    decorative = false,
    small = false,
    brick = false
  }: { level: Level; decorative?: boolean; small?: boolean; brick?: boolean } = $props();

  const COLOURS: Record<Level, string> = {
    contains: 'text-enamel',
    may_contain: 'text-enamel',
    unchecked: 'text-clay',
    free: 'text-edge'
  };

  const EARS = 'M.2 8.2a1 1 0 0 1 2 0v3.6a1 1 0 0 1-2 0zM17.8 8.2a1 1 0 0 1 2 0v3.6a1 1 0 0 1-2 0z';
  const RING =
    'M10 2.5a7.5 7.5 0 1 0 0 15a7.5 7.5 0 1 0 0-15zM10 4.3a5.7 5.7 0 1 1 0 11.4a5.7 5.7 0 1 1 0-11.4z';
  const LID = 'M7.9 8.7h4.2a1.3 1.3 0 0 1 0 2.6H7.9a1.3 1.3 0 0 1 0-2.6z';
  const DISC = 'M10 5.4a4.6 4.6 0 1 0 0 9.2a4.6 4.6 0 1 0 0-9.2z';
  const HALF = 'M5.4 10a4.6 4.6 0 0 0 9.2 0z';
  const THIN =
    'M10 3.8a6.2 6.2 0 1 0 0 12.4a6.2 6.2 0 1 0 0-12.4zM10 5a5 5 0 1 1 0 10a5 5 0 1 1 0-10z';

  // One path a mark: a board shows hundreds of them, and has to answer at once.
  const SHAPES: Record<Level, string> = {
    contains: EARS + RING + DISC,
    may_contain: EARS + RING + HALF,
    unchecked: EARS + LID,
    free: THIN
  };
</script>

<svg
  viewBox="0 0 20 20"
  class={[
    'inline-block flex-none',
    small ? 'size-[18px]' : 'size-5',
    brick ? 'text-brick' : COLOURS[level]
  ]}
  role={decorative ? undefined : 'img'}
  aria-hidden={decorative || undefined}
  aria-label={decorative ? undefined : levelWord(level)}
>
  {#if level === 'unchecked'}
    <circle
      cx="10"
      cy="10"
      r="6.6"
      fill="var(--clay-pale)"
      stroke="currentColor"
      stroke-width="1.8"
      stroke-dasharray="3.2 1.9"
    />
  {/if}
  <path d={SHAPES[level]} fill="currentColor" fill-rule="evenodd" />
</svg>
