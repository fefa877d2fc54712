<script lang="ts">
  import { untrack } from 'svelte';
  import type { Board } from './board.svelte';

  /** The yellow stroke from the bases to the plates of the chosen pot. */
  let { board, field }: { board: Board; field: HTMLElement } = $props();

  let paths = $state<string[]>([]);
  let size = $state(0);

  function curve(from: DOMRect, to: DOMRect, origin: DOMRect): string {
    const start = { x: from.right - origin.left, y: from.top + from.height / 2 - origin.top };
    const end = { x: to.left - origin.left, y: to.top + to.height / 2 - origin.top };
    if (end.x > start.x) {
      const middle = (start.x + end.x) / 2;
      return `M${start.x} ${start.y}C${middle} ${start.y} ${middle} ${end.y} ${end.x} ${end.y}`;
    }
    // Within one column the stroke leaves and returns on the right-hand side.
    const out = start.x + 22;
    return `M${start.x} ${start.y}C${out} ${start.y} ${out} ${end.y} ${start.x} ${end.y}`;
  }

  function draw() {
    const origin = field.getBoundingClientRect();
    const places = new Map<string, DOMRect>();
    const place = (id: string) => {
      const known = places.get(id);
      if (known) return known;
      const rect = field.querySelector(`[data-place="${id}"]`)?.getBoundingClientRect();
      if (rect) places.set(id, rect);
      return rect;
    };
    paths = board.pour.strokes.flatMap(([from, to]) => {
      const [start, end] = [place(from), place(to)];
      return start && end ? [curve(start, end, origin)] : [];
    });
  }

  $effect(() => {
    void board.pour.strokes;
    void board.ask;
    void size;
    untrack(draw);
  });

  $effect(() => {
    const observer = new ResizeObserver(() => (size += 1));
    observer.observe(field);
    return () => observer.disconnect();
  });
</script>

<svg aria-hidden="true" class="pointer-events-none absolute inset-0 size-full">
  {#each new Set(paths) as path (path)}
    <path
      d={path}
      fill="none"
      stroke="var(--color-ladle)"
      stroke-width="6"
      stroke-linecap="round"
      pathLength="1"
      class="motion-safe:animate-[pour_180ms_ease-out]"
    />
  {/each}
</svg>

<style>
  path {
    stroke-dasharray: 1;
  }
  @keyframes -global-pour {
    from {
      stroke-dashoffset: 1;
    }
    to {
      stroke-dashoffset: 0;
    }
  }
</style>
