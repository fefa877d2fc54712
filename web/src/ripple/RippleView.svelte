<script lang="ts">
  import { Collapsible } from 'bits-ui';
  import type { Schema } from '../api/client';
  import { asWords, levelWord } from '../marks/levels';
  import PotMark from '../marks/PotMark.svelte';

  /** What a change does, first in a sentence, then pot by pot and flag by flag. */
  let { ripple }: { ripple: Schema['RippleOut'] } = $props();
</script>

<p class="font-semibold" data-ripple>{ripple.sentence}</p>
{#if ripple.items.length > 0}
  <Collapsible.Root>
    <Collapsible.Trigger class="min-h-11 text-note underline underline-offset-4">
      Flag by flag
    </Collapsible.Trigger>
    <Collapsible.Content class="max-h-[32dvh] overflow-y-auto">
      <table class="w-full text-left text-note">
        <thead class="sr-only">
          <tr><th scope="col">Pot or plate</th><th scope="col">Before and after</th></tr>
        </thead>
        <tbody>
          {#each ripple.items as item (item.item)}
            <tr class="border-t border-rule align-top">
              <th scope="row" class="w-2/5 py-1.5 pr-3 font-[450]">
                {item.name} <span class="text-soft">{item.kind}</span>
              </th>
              <td class="py-1.5">
                {#each item.flags as flag (flag.flag)}
                  <span class="mr-3 inline-flex items-center gap-1 whitespace-nowrap">
                    {asWords(flag.flag)}
                    <PotMark level={flag.before} small />
                    <span aria-hidden="true">→</span><span class="sr-only">becomes</span>
                    <PotMark level={flag.after} small />
                    <span class="text-soft">{levelWord(flag.after)}</span>
                  </span>
                {/each}
                {#if item.flags.length === 0}<span class="text-soft">same flags</span>{/if}
              </td>
            </tr>
          {/each}
        </tbody>
      </table>
    </Collapsible.Content>
  </Collapsible.Root>
{/if}
