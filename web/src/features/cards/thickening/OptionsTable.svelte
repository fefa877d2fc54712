<script lang="ts">
  import { figure } from '../../../lib/spoon';
  import type { Level } from '../../../api/client';
  import Button from '../../../ui/Button.svelte';
  import { flagWords } from '../../../lib/lines';
  import { GOAL_WORDS, type Bench, type Option } from './bench.svelte';

  /** Each thickener's amount side by side, with method, cautions, and what the larder holds of it. */
  let { bench, onput }: { bench: Bench; onput: ((option: Option) => void) | undefined } = $props();

  const carries = (flags: Record<string, Level>) =>
    flagWords(flags, [], Infinity).join(', ') || 'no flag recorded';
  const range = (option: Option) =>
    option.high - option.low > 0.05 ? `${figure(option.low)} to ${figure(option.high)} g` : '';
</script>

<div class="mt-4 overflow-x-auto">
  <table class="listed w-full wide:min-w-[900px] text-left" data-options>
    <thead>
      <tr class="border-b border-edge text-base text-soft">
        <th scope="col" class="w-44 py-1.5 pr-3 font-normal">Thickener</th>
        <th scope="col" class="w-44 py-1.5 pr-3 font-normal">Take</th>
        <th scope="col" class="w-64 py-1.5 pr-3 font-normal">In the larder</th>
        <th scope="col" class="py-1.5 pr-3 font-normal">Method and cautions</th>
        <th scope="col" class="w-32 py-1.5 font-normal"><span class="sr-only">Use it</span></th>
      </tr>
    </thead>
    <tbody>
      {#each bench.options as option (option.thickener)}
        <tr
          class={['border-b border-rule align-top', option.unmet.length > 0 && 'text-soft']}
          data-option={option.thickener}
        >
          <th scope="row" class="py-2 pr-3 font-strong">
            {option.name}
            {#each option.unmet as goal (goal)}
              <span class="block text-base font-normal text-clay">
                not: {GOAL_WORDS[goal] ?? goal}
              </span>
            {/each}
          </th>
          <td class="py-2 pr-3">
            {#if option.flour !== null}
              <span class="amount">{figure(option.flour)} g</span> flour<br />
              <span class="amount">{figure(option.fat ?? 0)} g</span> fat
            {:else}
              <span class="amount">{figure(option.grams)} g</span>
            {/if}
            {#if range(option)}<span class="block text-base text-soft">{range(option)}</span>{/if}
          </td>
          <td class="py-2 pr-3">
            {#each option.candidates as candidate (candidate.id)}
              <p>
                {candidate.name}
                <span class="block text-base text-soft">{carries(candidate.flags)}</span>
              </p>
            {:else}
              <span class="text-soft">none; something to buy</span>
            {/each}
          </td>
          <td class="py-2 pr-3 leading-snug">
            {option.method.join(' ')}
            {#each option.cautions as caution (caution)}
              <span class="block text-clay">{caution}</span>
            {/each}
          </td>
          <td class="py-2 text-right">
            {#if onput && option.candidates.length > 0 && option.grams > 0}
              <Button onclick={() => onput(option)}>Put it in</Button>
            {/if}
          </td>
        </tr>
      {/each}
    </tbody>
  </table>
</div>
