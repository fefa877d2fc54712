<script lang="ts">
  import Pin from '@lucide/svelte/icons/pin';
  import type { Bench, Plan } from './bench.svelte';

  /** The head of a plan's column: pick it, or pin it to be compared. What it adds stands here. */
  let { bench, plan, at }: { bench: Bench; plan: Plan; at: number } = $props();

  const counted = (count: number, thing: string) => `${count} ${thing}${count === 1 ? '' : 's'}`;
  const changes = $derived(
    [
      plan.swaps.length > 0 || plan.cleaned.length === 0 ? counted(plan.swaps.length, 'swap') : '',
      plan.cleaned.length > 0 ? counted(plan.cleaned.length, 'clean tool') : ''
    ]
      .filter(Boolean)
      .join(', ')
  );
  const picked = $derived(bench.picked === at);
  const pinned = $derived(bench.pinned.includes(at));
  /** Of several plates those that the plan changes; one plate alone needs no telling. */
  const plates = $derived.by(() => {
    if (Object.keys(bench.others).length === 0) return [];
    const asked = new Set(bench.items);
    const small = plan.placements.find(({ how }) => how === 'small_pots');
    return (small?.beside ?? []).filter((pot) => asked.has(pot.id)).map((pot) => pot.name);
  });
  const adds = $derived(plan.adds.map((flag) => flag.name.toLowerCase()).join(', '));
</script>

<th
  scope="col"
  class={['p-0 text-left align-top', picked && 'border-t-6 border-ladle bg-ladle-pale']}
>
  <div class="flex items-start">
    <button
      type="button"
      aria-pressed={picked}
      class="min-h-11 flex-1 px-3 pt-1 pb-1 text-left"
      onclick={() => bench.pick(at)}
    >
      <span class="font-name text-name">Plan {at + 1}</span>
      <span class="block text-base font-normal text-soft">
        {changes}{plan.meets || plan.buy.length > 0 ? '' : ', falls short'}
      </span>
    </button>
    <button
      type="button"
      aria-pressed={pinned}
      aria-label="Pin plan {at + 1} to compare it"
      class={['grid size-11 flex-none place-items-center', pinned && 'text-enamel']}
      onclick={() => bench.pin(at)}
    >
      <Pin size={18} fill={pinned ? 'currentColor' : 'none'} aria-hidden="true" />
    </button>
  </div>
  {#if plates.length > 0}
    <p class="px-3 pb-1 text-base font-normal" data-plates>in {plates.join(' and ')}</p>
  {/if}
  {#if !plan.same_dish}
    <p class="px-3 pb-1 text-base font-strong text-clay" data-another>would be another dish</p>
  {/if}
  {#if plan.buy.length > 0}
    <p class="px-3 pb-1 text-base font-strong text-clay" data-buy>
      buy {plan.buy.join(', ')}; meets it if the label says so
    </p>
  {/if}
  {#if adds && plan.buy.length === 0}<p class="px-3 pb-1 text-base font-strong text-brick">
      adds {adds}
    </p>{/if}
  {#each plan.buy.length > 0 ? [] : plan.harms as harm (harm.guest)}
    <p class="px-3 pb-1 text-base font-strong text-brick">
      not for {harm.guest} ({harm.strictness}): {harm.flags.join(', ').toLowerCase()}
    </p>
  {/each}
</th>
