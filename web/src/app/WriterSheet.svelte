<script lang="ts">
  import { kitchenQuery } from '../api/queries';
  import Button from '../ui/Button.svelte';
  import Field from '../ui/Field.svelte';
  import Sheet from '../ui/Sheet.svelte';
  import { currentUser } from '../api/currentUser.svelte';

  /** Asks who is writing on this screen, from the kitchen's short list or by initials. */
  const kitchen = kitchenQuery();
  const people = $derived(kitchen.data?.people ?? []);
  let typed = $state('');

  function write() {
    if (typed.trim()) currentUser.become(typed);
  }
</script>

<Sheet bind:open={() => true, () => (currentUser.asking = false)} title="Who is writing">
  <p class="text-soft">Goes with every label that is read here and with all that is recorded.</p>
  <div class="mt-3 grid gap-2">
    {#each people as person (person.initials)}
      <button
        type="button"
        class="flex min-h-12 items-center gap-4 border border-rule bg-sheet px-4 text-left hover:bg-ladle-pale"
        aria-pressed={currentUser.person === person.initials}
        onclick={() => currentUser.become(person.initials)}
      >
        <span class="amount w-12 font-semibold">{person.initials}</span>
        {person.name}
        {#if currentUser.person === person.initials}<span class="ml-auto text-soft"
            >writing now</span
          >{/if}
      </button>
    {/each}
  </div>
  <div class="mt-3 flex items-end gap-3">
    <Field label={people.length > 0 ? 'Somebody else, by initials' : 'Your initials'} class="w-56">
      <input
        class="field"
        maxlength="8"
        autocomplete="off"
        bind:value={typed}
        onkeydown={(event) => event.key === 'Enter' && write()}
      />
    </Field>
    <Button disabled={typed.trim() === ''} onclick={write}>Write as this person</Button>
  </div>
  {#if currentUser.initials}
    <div class="mt-3">
      <Button onclick={() => currentUser.become('')}>Nobody in particular</Button>
    </div>
  {/if}
</Sheet>
