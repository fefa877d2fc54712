<script lang="ts">
  import TriangleAlert from '@lucide/svelte/icons/triangle-alert';
  import type { Schema } from '../api/client';

  let { method }: { method: Schema['StepPiece'][] } = $props();
</script>

{#if method.length > 0}
  <h2 class="mt-5 text-[18px]">Method</h2>
  <ol class="mt-1 grid gap-2">
    {#each method as step, index (index)}
      <li class="grid grid-cols-[28px_minmax(0,1fr)] leading-[1.3]">
        <span class="amount text-soft">{index + 1}</span>
        <div>
          {step.text}
          <p class="text-note text-soft">
            {[step.minutes && `${step.minutes} min`, step.heat, step.cue]
              .filter(Boolean)
              .join(' · ')}
          </p>
          {#if step.caution}
            <p class="flex items-start gap-1.5 text-note text-clay">
              <TriangleAlert size={16} class="mt-0.5 flex-none" aria-hidden="true" />{step.caution}
            </p>
          {/if}
        </div>
      </li>
    {/each}
  </ol>
{/if}
