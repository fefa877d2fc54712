<script lang="ts">
  import { answer, api, type Schema } from '../../../api/client';
  import { kitchenQuery } from '../../../api/queries';
  import { AsyncState } from '../../../lib/asyncState.svelte';
  import Field from '../../../ui/Field.svelte';
  import { asWords } from '../../../lib/levels';

  /** What a product is, for swaps: as somebody says, or as its name is taken until then. */
  let { name, value = $bindable() }: { name: string; value: string } = $props();

  const kitchen = kitchenQuery();
  const taken = new AsyncState<Schema['ClassOut'] | undefined>({ rest: 250 });

  $effect(() => {
    const names = [name.trim()];
    if (names[0]) {
      taken.ask(async () => {
        const [found] = await answer(
          api.POST('/api/v1/classes/read', { body: { names, recorded: [] } })
        );
        return found;
      });
    }
  });

  const guess = $derived(name.trim() ? taken.value : null);
  const likely = $derived(
    guess && !guess.certain ? [guess.class ?? '', ...guess.others].filter(Boolean) : []
  );
  const unsaid = $derived(
    guess?.certain && guess.class ? `taken as ${asWords(guess.class)}` : 'nobody has said'
  );
  const classes = $derived([...new Set([...(kitchen.data?.classes ?? []), value])].sort());
</script>

<div>
  <Field label="Class, for swaps">
    <select class="field" bind:value data-class>
      <option value="">{unsaid}</option>
      {#each classes.filter(Boolean) as known (known)}
        <option value={known}>{asWords(known)}</option>
      {/each}
    </select>
  </Field>
  {#if !value && likely.length > 0}
    <p class="mt-1 flex flex-wrap items-center gap-2 text-soft" data-likely>
      Is it:
      {#each likely as known (known)}
        <button
          type="button"
          class="min-h-11 underline underline-offset-4"
          onclick={() => (value = known)}>{asWords(known)}</button
        >
      {/each}
    </p>
  {/if}
</div>
