<script lang="ts">
  import Field from '../../ui/Field.svelte';
  import { kitchenQuery } from '../../api/queries';
  import { currentUser } from './currentUser.svelte';

  /** Who is at this screen, from the kitchen's short list. */
  let { label = 'You are' }: { label?: string } = $props();

  const kitchen = kitchenQuery();
  const people = $derived(kitchen.data?.people ?? []);
  const known = $derived(people.some((person) => person.initials === currentUser.person));
</script>

<Field {label} class="w-44">
  {#if people.length > 0}
    <select class="field" bind:value={currentUser.person} onchange={() => currentUser.remember()}>
      <option value="">nobody yet</option>
      {#each people as person (person.initials)}
        <option value={person.initials}>{person.initials} · {person.name}</option>
      {/each}
      {#if currentUser.person && !known}<option value={currentUser.person}
          >{currentUser.person}</option
        >{/if}
    </select>
  {:else}
    <input
      class="field"
      autocomplete="off"
      bind:value={currentUser.person}
      onchange={() => currentUser.remember()}
    />
  {/if}
</Field>
