<script lang="ts">
  import type { Menu, MenuBench } from './menu.svelte';
  import MenuGains from './MenuGains.svelte';

  /** Who eats what, and the small pots that it takes. */
  let { bench, found }: { bench: MenuBench; found: Menu } = $props();

  const cell = 'border-t border-rule px-3 py-2 text-left align-top';
  const groups = $derived(bench.rows[0]?.[1] ?? []);
  const made = $derived(found.pots.length + found.cards.length);
  const pots = (count: number) => `${count} small ${count === 1 ? 'pot' : 'pots'}`;
</script>

<section class="mt-5" aria-labelledby="answer">
  <h2 id="answer" class="text-head">
    {made === 0 ? 'No small pot is needed' : `${pots(made)} in all`}
  </h2>
  <p class="text-soft">
    {#if bench.busy}
      A first answer; a better one is being looked for.
    {:else if found.optimal}
      Proved: fewer would not do.
    {:else}
      The best that was found in the time; at least {found.bound} are needed, so it may be up to
      {Math.round(found.gap * 100)} % too many.
    {/if}
    <span class="amount">{(found.milliseconds / 1000).toFixed(1)} s</span>
  </p>
  <table class="listed mt-2 w-full border-collapse">
    <thead>
      <tr>
        <th scope="col" class="py-2 text-left">Plate</th>
        {#each groups as group (group.goals)}
          <th scope="col" class="px-3 py-2 text-left align-top">
            {group.guests.join(', ')}
            <span class="block text-base font-normal text-soft">{group.goals}</span>
          </th>
        {/each}
      </tr>
    </thead>
    <tbody>
      {#each bench.rows as [plate, servings] (plate)}
        <tr>
          <th scope="row" class="border-t border-rule py-2 pr-3 text-left align-top">{plate}</th>
          {#each servings as serving (serving.goals)}
            <td class={cell}>
              {#if serving.spare}
                <span class="text-soft">not needed</span>
              {:else if !serving.possible}
                <span class="font-strong text-brick">cannot be served</span>
                <span class="block text-base text-soft">{serving.refusal}</span>
              {:else if serving.as_usual}
                <span class="text-moss">as it is</span>
              {:else}
                {#if !serving.same_dish}
                  <span class="font-strong text-clay" data-another>would be another dish: </span>
                {/if}
                {serving.sentence}
                {#each serving.shared as sentence (sentence)}
                  <span class="block text-soft">{sentence}</span>
                {/each}
              {/if}
            </td>
          {/each}
        </tr>
      {/each}
    </tbody>
  </table>
  {#if found.pots.length > 0}
    <h3 class="mt-5 text-lead">The small pots, bases first</h3>
    <ul>
      {#each found.pots as pot (pot.name + pot.for_guests.join())}
        <li class="border-b border-rule py-1.5">
          <b class="font-strong">{pot.name}</b>
          <span class="text-soft">
            for {pot.for_guests.join(', ')}{pot.swaps.length > 0
              ? `: ${pot.swaps.join('; ')}`
              : ', of the pots above'}
          </span>
        </li>
      {/each}
    </ul>
  {/if}
  {#if found.cards.length > 0}
    <h3 class="mt-5 text-lead">New cards, made beside them</h3>
    <p>{found.cards.join(', ')}</p>
  {/if}
  <MenuGains {bench} />
</section>
