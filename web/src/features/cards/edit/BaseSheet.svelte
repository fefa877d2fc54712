<script lang="ts">
  import { answer, api, type Schema } from '../../../api/client';
  import { basesQuery } from '../../../api/queries';
  import { navigate } from '../../../app/routes';
  import ErrorText from '../../../ui/ErrorText.svelte';
  import Field from '../../../ui/Field.svelte';
  import Sheet from '../../../ui/Sheet.svelte';
  import RecordFoot from '../../../ui/impact/RecordFoot.svelte';
  import { Recording, type Change } from '../../../ui/impact/recording.svelte';
  import { capital } from '../../../lib/lines';

  /** The library of bases: a tap on one shows what it would bring, another records it. */
  let { onclose }: { onclose: () => void } = $props();

  const bases = basesQuery();
  const recording = new Recording();
  let words = $state('');
  let chosen = $state.raw<Schema['BaseOut'] | null>(null);
  let error = $state<unknown>(null);
  const shown = $derived(
    (bases.data ?? []).filter((base) => base.name.toLowerCase().includes(words.toLowerCase()))
  );

  async function changeOf(base: string): Promise<Extract<Change, { change: 'bring_in' }>> {
    const params = { path: { id: base } };
    const brought = await answer(api.GET('/api/v1/bases/{id}', { params }));
    return { change: 'bring_in', plain: [], ...brought };
  }

  $effect(() => {
    const base = chosen?.id;
    recording.preview(base === undefined ? null : () => changeOf(base));
  });

  async function record() {
    if (!chosen) return;
    error = null;
    try {
      const change = await changeOf(chosen.id);
      const act = { why: `from the library: ${chosen.name}` };
      const made = change.preparations.at(-1);
      if (!made || !(await recording.record(change, null, act))) return;
      onclose();
      void navigate('/pots/:id', { params: { id: made.id } });
    } catch (refused) {
      error = refused;
    }
  }
</script>

<Sheet bind:open={() => true, onclose} title="Begin from a base of the library">
  <Field label="Part of its name">
    <input class="field" bind:value={words} />
  </Field>
  <ul class="mt-2" data-bases>
    {#each shown as base (base.id)}
      <li class="border-b border-rule">
        <button
          type="button"
          aria-pressed={chosen?.id === base.id}
          class={[
            'block min-h-11 w-full px-2 py-1.5 text-left hover:bg-ladle-pale',
            chosen?.id === base.id && 'bg-ladle-pale'
          ]}
          onclick={() => (chosen = base)}
        >
          <span class="strip-name">{base.name}</span>
          <span class="block text-soft">{capital(base.kind)} · {base.made_of.join(', ')}</span>
          {#if chosen?.id === base.id && base.new_pots.length > 0}
            <span class="block">With it: {base.new_pots.join(', ')}</span>
          {/if}
          {#if chosen?.id === base.id && base.new_goods.length > 0}
            <span class="block text-clay">
              New in the larder, not checked: {base.new_goods.join(', ')}
            </span>
          {/if}
        </button>
      </li>
    {:else}
      <li class="py-2 text-soft">{bases.data ? 'No base has that in its name.' : ''}</li>
    {/each}
  </ul>
  <ErrorText error={error ?? bases.error} />
  {#snippet foot()}
    <RecordFoot
      {recording}
      hint="Choose a base. Nobody has cooked it here yet."
      onrecord={record}
    />
  {/snippet}
</Sheet>
