<script lang="ts">
  import type { Level } from '../../api/client';
  import { levelWord } from '../../lib/levels';

  /** A pot seen from the side: full, half full, lid on, or thin and empty without its ears. */
  let {
    level,
    decorative = false,
    brick = false
  }: { level: Level; decorative?: boolean; brick?: boolean } = $props();

  const COLOURS: Record<Level, string> = {
    contains: 'text-enamel',
    may_contain: 'text-enamel',
    unchecked: 'text-clay',
    free: 'text-edge'
  };

  const BODY = 'M4.2 7.2h11.6v7.3a2.3 2.3 0 0 1-2.3 2.3h-7a2.3 2.3 0 0 1-2.3-2.3z';
  const EARS = 'M4.2 9.3H2.6a1.3 1.3 0 0 0 0 2.6h1.6M15.8 9.3h1.6a1.3 1.3 0 0 1 0 2.6h-1.6';
  const LID = 'M3.4 7.2h13.2M5.5 6.6c.6-1.7 2.4-2.6 4.5-2.6s3.9.9 4.5 2.6M10 2.9v-.4';

  // One or two paths a mark: a board shows hundreds of them, and has to answer at once.
  const LINES: Record<Level, string> = {
    contains: BODY + EARS,
    may_contain: BODY + EARS,
    unchecked: BODY + EARS + LID,
    free: BODY
  };
  const FILLED: Partial<Record<Level, string>> = {
    contains: BODY,
    may_contain: 'M4.2 12h11.6v2.5a2.3 2.3 0 0 1-2.3 2.3h-7a2.3 2.3 0 0 1-2.3-2.3z'
  };
</script>

<svg
  viewBox="0 0 20 20"
  class={['inline-block size-6 flex-none', brick ? 'text-brick' : COLOURS[level]]}
  role={decorative ? undefined : 'img'}
  aria-hidden={decorative || undefined}
  aria-label={decorative ? undefined : levelWord(level)}
>
  <path
    d={LINES[level]}
    fill="none"
    stroke="currentColor"
    stroke-width={level === 'free' ? 1.1 : 1.7}
    stroke-linejoin="round"
    stroke-linecap="round"
  />
  {#if FILLED[level]}<path d={FILLED[level]} fill="currentColor" />{/if}
</svg>
