<script lang="ts">
  import TriangleAlert from '@lucide/svelte/icons/triangle-alert';
  import type { Schema } from '../../../api/client';
  import StepTimer from './StepTimer.svelte';

  /** The steps of a card, to cook from: times that run down, what to look for, cautions. */
  let {
    method,
    names = {},
    offered = []
  }: {
    method: Schema['StepPiece'][];
    names?: Record<string, string>;
    offered?: Schema['OfferedOut'][];
  } = $props();

  const told = (step: Schema['StepPiece']) =>
    [step.passive && 'unattended', step.heat, ...(step.equipment ?? [])]
      .filter(Boolean)
      .join(' · ');
  const used = (step: Schema['StepPiece']) =>
    (step.uses ?? []).map((use) => names[use.replace(/#\d+$/, '')]).filter(Boolean);
</script>

{#if method.length > 0}
  <h2 class="mt-5 text-lead">Method</h2>
  <ol class="mt-1 grid">
    {#each method as step, index (index)}
      <li class="grid grid-cols-[28px_minmax(0,1fr)] border-b border-rule py-2 leading-[1.3]">
        <span class="amount pt-0.5 text-soft">{index + 1}</span>
        <div>
          {step.text}
          {#if step.cue}<p class="text-base">Until: {step.cue}</p>{/if}
          <p class="flex flex-wrap items-center gap-x-3 text-base text-soft">
            {#if step.minutes}
              <StepTimer minutes={step.minutes} what={step.text} number={index + 1} />
            {/if}
            {told(step)}
          </p>
          {#if used(step).length > 0}
            <p class="text-base text-soft">takes {used(step).join(', ')}</p>
          {/if}
          {#if step.caution}
            <p class="flex items-start gap-1.5 text-base text-clay">
              <TriangleAlert size={16} class="mt-0.5 flex-none" aria-hidden="true" />{step.caution}
            </p>
          {/if}
          {#each offered.filter((each) => each.step === index) as each (each.id)}
            <p class="flex items-start gap-1.5 text-base text-soft" data-offered={each.id}>
              <TriangleAlert size={16} class="mt-0.5 flex-none" aria-hidden="true" />
              <span>{each.text}</span>
            </p>
          {/each}
        </div>
      </li>
    {/each}
  </ol>
{/if}
