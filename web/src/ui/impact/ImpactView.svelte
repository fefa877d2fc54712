<script lang="ts">
  import { Collapsible } from 'bits-ui';
  import type { Level, Schema } from '../../api/client';
  import { flagWord, levelWord } from '../../lib/levels';
  import PotMark from '../marks/PotMark.svelte';
  import Scroll from '../Scroll.svelte';
  import NumbersMoved from './NumbersMoved.svelte';

  /**
   * What a change does, first in a sentence unless that is `told` beside it, then pot by pot and
   * flag by flag.
   */
  let { impact, told = false }: { impact: Schema['ImpactOut']; told?: boolean } = $props();

  type Step = { before: Level; after: Level; flags: string[] };

  /** Flags that go the same step from one level to another, told together. */
  function steps(flags: Schema['FlagImpact'][]): [string, Step][] {
    const found = new Map<string, Step>();
    for (const { flag, before, after, tool_trace } of flags) {
      const key = `${before} ${after}`;
      const step = found.get(key) ?? { before, after, flags: [] };
      step.flags.push(flagWord(flag, tool_trace ? [flag] : []));
      found.set(key, step);
    }
    return [...found];
  }
</script>

{#if !told}<p class="font-semibold" data-impact>{impact.sentence}</p>{/if}
{#if impact.numbers.length > 0}<NumbersMoved numbers={impact.numbers} />{/if}
{#if impact.items.length > 0}
  <Collapsible.Root>
    <Collapsible.Trigger class="min-h-11 text-base underline underline-offset-4">
      Flag by flag
    </Collapsible.Trigger>
    <Collapsible.Content>
      <Scroll label="Flag by flag" class="max-h-[32dvh]">
        <table class="listed w-full text-left text-base">
          <thead class="sr-only">
            <tr><th scope="col">Pot or plate</th><th scope="col">Before and after</th></tr>
          </thead>
          <tbody>
            {#each impact.items as item (item.item)}
              <tr class="border-t border-rule align-top">
                <th scope="row" class="w-2/5 py-1.5 pr-3 font-book">
                  {item.name} <span class="text-soft">{item.kind}</span>
                </th>
                <td class="py-1.5">
                  {#each steps(item.flags) as [key, step] (key)}
                    <p class="flex items-start gap-1.5">
                      <span class="flex flex-none items-center gap-1">
                        <PotMark level={step.before} />
                        <span aria-label="becomes">→</span>
                        <PotMark level={step.after} />
                      </span>
                      <span>
                        {step.flags.join(', ')}
                        <span class="text-soft">
                          {levelWord(step.before)}, then {levelWord(step.after)}
                        </span>
                      </span>
                    </p>
                  {/each}
                  {#if item.flags.length === 0}<span class="text-soft">same flags</span>{/if}
                </td>
              </tr>
            {/each}
          </tbody>
        </table>
      </Scroll>
    </Collapsible.Content>
  </Collapsible.Root>
{/if}
