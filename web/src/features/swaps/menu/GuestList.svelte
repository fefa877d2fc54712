<script lang="ts">
  import Field from '../../../ui/Field.svelte';
  import { kitchenQuery } from '../../../api/queries';
  import { asWords } from '../../../lib/levels';
  import Button from '../../../ui/Button.svelte';
  import type { Guest, MenuBench } from './menu.svelte';

  /** The guests of the menu, each with one or more goals. */
  let { bench }: { bench: MenuBench } = $props();

  const kitchen = kitchenQuery();
  let name = $state('');
  let goal = $state('');

  const told = (guest: Guest) =>
    [
      ...(guest.goals.clear ?? []).map((flag) => `no ${asWords(flag)}`),
      ...(guest.goals.fit ?? []).map(asWords)
    ].join(', ');

  /** One more goal for a guest who is there already, or a new guest. */
  function add() {
    const [kind, id = ''] = goal.split(':');
    const key = kind === 'clear' ? 'clear' : 'fit';
    const known = bench.guests.find((guest) => guest.name === name.trim());
    if (known) {
      const goals = { ...known.goals, [key]: [...new Set([...(known.goals[key] ?? []), id])] };
      bench.guests = bench.guests.map((guest) => (guest === known ? { ...guest, goals } : guest));
    } else {
      const goals = { clear: [], fit: [], [key]: [id] };
      bench.guests = [...bench.guests, { name: name.trim(), goals }];
    }
    goal = '';
  }
</script>

<section aria-labelledby="guests">
  <h2 id="guests" class="text-lead">Guests</h2>
  <ul>
    {#each bench.guests as guest (guest.name)}
      <li class="flex items-center justify-between gap-2 border-b border-rule py-1">
        <span
          ><b class="font-strong">{guest.name}</b>
          <span class="text-soft">{told(guest)}</span></span
        >
        <button
          type="button"
          class="min-h-11 px-2 underline underline-offset-4"
          aria-label="Remove {guest.name}"
          onclick={() => (bench.guests = bench.guests.filter((other) => other !== guest))}
          >Remove</button
        >
      </li>
    {/each}
  </ul>
  <div class="mt-2 flex flex-wrap items-end gap-3">
    <Field label="Guest" class="w-44">
      <input class="field" maxlength="200" autocomplete="off" bind:value={name} />
    </Field>
    <Field label="Must have" class="w-56">
      <select class="field" bind:value={goal}>
        <option value=""></option>
        {#each kitchen.data?.flags ?? [] as flag (flag.id)}
          <option value="clear:{flag.id}">no {flag.name.toLowerCase()}</option>
        {/each}
        {#each kitchen.data?.diets ?? [] as diet (diet.id)}
          <option value="fit:{diet.id}">{diet.name}</option>
        {/each}
      </select>
    </Field>
    <Button disabled={name.trim() === '' || goal === ''} onclick={add}>Add it</Button>
  </div>
</section>
