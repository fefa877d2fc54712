<script lang="ts">
  import type { Plan } from './bench.svelte';
  import { drawn } from './pour';

  /** The pour from the changed lines to the plate: what goes in now, and what goes in then. */
  let { plan }: { plan: Plan } = $props();

  const now = $derived(drawn(plan, 'now'));
  const then = $derived(drawn(plan, 'then'));
</script>

{#snippet picture(title: string, pour: ReturnType<typeof drawn>)}
  <figure class="min-w-0">
    <figcaption class="text-base text-soft">{title}</figcaption>
    <svg
      viewBox="0 0 {pour.width} {pour.height}"
      width={pour.width}
      class="max-w-full"
      role="img"
      aria-label="{title}: {pour.words}"
    >
      {#each pour.strokes as stroke (stroke.key)}
        <path
          d={stroke.path}
          fill="none"
          stroke="var(--color-ladle)"
          stroke-width={stroke.fresh ? 5 : 3}
          opacity={stroke.fresh ? 1 : 0.55}
        />
      {/each}
      {#each pour.strips as strip (strip.key)}
        <g>
          <rect
            x={strip.x}
            y={strip.y}
            width={strip.width}
            height={strip.height}
            fill={strip.fresh ? 'var(--ladle-pale)' : 'var(--sheet)'}
            stroke="var(--edge)"
          />
          {#each strip.lines as text, at (at)}
            <text x={strip.x + 8} y={strip.y + 18 + at * 19} font-size="16" fill="currentColor"
              >{text}</text
            >
          {/each}
        </g>
      {/each}
    </svg>
  </figure>
{/snippet}

<div class="mt-4 mb-5 grid gap-4">
  {@render picture('The pour now', now)}
  {@render picture('The pour after the plan', then)}
</div>
