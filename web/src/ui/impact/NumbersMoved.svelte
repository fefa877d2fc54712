<script lang="ts">
  import { Collapsible } from 'bits-ui';
  import type { Schema } from '../../api/client';
  import { figure } from '../../lib/spoon';
  import Scroll from '../Scroll.svelte';

  /** The numbers that a change moves, pot by pot. */
  let { numbers }: { numbers: Schema['NumberImpact'][] } = $props();

  const NAMES = {
    salt_g_per_100g: ['salt', 'g in 100 g'],
    alcohol_percent: ['alcohol', '%'],
    so2_mg_per_kg: ['sulphites', 'mg/kg'],
    starch_g_per_l: ['binding', 'g in a litre']
  } as const;
  const shown = (value: number | null) => (value === null ? 'none' : figure(value));
</script>

<Collapsible.Root>
  <Collapsible.Trigger class="min-h-11 text-base underline underline-offset-4">
    Numbers of {numbers.length}
    {numbers.length === 1 ? 'pot' : 'pots'}
  </Collapsible.Trigger>
  <Collapsible.Content>
    <Scroll label="Numbers" class="max-h-[28dvh]">
      <ul class="text-base" data-numbers>
        {#each numbers as entry (entry.item)}
          <li class="border-t border-rule py-1">
            <span class="font-book">{entry.name}</span>
            {#each entry.moved as moved (moved.name)}
              <span class="block text-soft">
                {NAMES[moved.name][0]}
                <span class="amount">{shown(moved.before)} → {shown(moved.after)}</span>
                {NAMES[moved.name][1]}
              </span>
            {/each}
          </li>
        {/each}
      </ul>
    </Scroll>
  </Collapsible.Content>
</Collapsible.Root>
