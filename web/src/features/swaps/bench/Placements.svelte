<script lang="ts">
  import { Collapsible } from 'bits-ui';
  import type { Plan } from './bench.svelte';

  /** Where the change is made: for all, in small pots, or mixed, each with its price. */
  let { plan }: { plan: Plan } = $props();

  const names = { for_all: 'For all', small_pots: 'Small pots', mixed: 'Mixed' } as const;
  const counted = (count: number, thing: string) => `${count} ${thing}${count === 1 ? '' : 's'}`;
  type Placement = Plan['placements'][number];
  const worse = (placement: Placement) =>
    [...new Set(placement.moved.flatMap((moved) => moved.worse))].join(', ').toLowerCase();
  const better = (placement: Placement) =>
    placement.moved.filter((moved) => moved.better.length > 0).length;
  const risen = (placement: Placement) =>
    placement.moved.filter((moved) => moved.worse.length > 0).length;
</script>

<dl>
  {#each plan.placements as placement (placement.how)}
    <dt class="mt-1 font-strong">
      {names[placement.how]}: {placement.beside.length === 0
        ? 'no pot more'
        : `${counted(placement.beside.length, 'pot')} more`}
    </dt>
    <dd class="text-base">
      {#if placement.beside.length > 0}
        <span class="block">{placement.beside.map((pot) => pot.name).join(' → ')}</span>
      {/if}
      {#each placement.stranded as told (told)}
        <span class="block font-strong text-brick">{told}.</span>
      {/each}
      {#if placement.moved.length === 0}
        nobody else's plate changes
      {:else}
        {counted(placement.moved.length, 'pot')} change for everybody; better for {better(
          placement
        )}{#if risen(placement) > 0}, <b class="font-strong text-brick"
            >{worse(placement)} new in {risen(placement)}</b
          >{:else}, nothing new in any{/if}
        <Collapsible.Root>
          <Collapsible.Trigger class="min-h-11 underline underline-offset-4">
            Which{placement.how === 'mixed' ? ', if mixed' : ''}
          </Collapsible.Trigger>
          <Collapsible.Content>
            <ul>
              {#each placement.moved as moved (moved.id)}
                <li>
                  {moved.name}{#if moved.better.length > 0}: {moved.better.join(', ').toLowerCase()} gone
                    or less{/if}{#if moved.worse.length > 0},
                    <b class="font-strong text-brick">{moved.worse.join(', ').toLowerCase()} new</b
                    >{/if}
                </li>
              {/each}
            </ul>
          </Collapsible.Content>
        </Collapsible.Root>
      {/if}
    </dd>
  {/each}
</dl>
