<script lang="ts">
  import Field from './Field.svelte';
  import { answer, api, type Schema } from '../api/client';
  import { kitchenQuery } from '../api/queries';
  import { Write } from '../api/write.svelte';
  import { KeptForm } from '../lib/keptForm.svelte';
  import Button from './Button.svelte';
  import ErrorText from './ErrorText.svelte';
  import { asWords } from '../lib/levels';

  type Need = Schema['NeedPiece'];

  /** Guests whose needs are open: what is unchecked for them comes first. */
  let { needs }: { needs: Schema['NeedOut'][] } = $props();

  const kitchen = kitchenQuery();
  const form = new KeptForm('need', '', {
    guest: '',
    goal: '',
    strictness: 'allergy' as Need['strictness']
  });
  const wanted = $derived(form.fields);

  const adding = new Write(
    (body: Schema['NeedIn']) => answer(api.POST('/api/v1/needs', { body })),
    { says: ({ need }) => `${need.guest} waits for an answer.`, reaches: 'needs' }
  );
  const answering = new Write(
    ({ need, version }: Schema['NeedOut']) => {
      const params = { path: { id: need.id }, query: { seen: version } };
      return answer(api.DELETE('/api/v1/needs/{id}', { params }));
    },
    { says: (_, { need }) => `${need.guest} is answered.`, reaches: 'needs' }
  );

  async function add() {
    const [kind, id = ''] = wanted.goal.split(':');
    const need = {
      id: '',
      guest: wanted.guest.trim(),
      clear: kind === 'clear' ? [id] : [],
      fit: kind === 'fit' ? [id] : [],
      strictness: wanted.strictness
    };
    if (await adding.send({ need, seen: null })) form.clear();
  }

  const told = (need: Need) =>
    [...(need.clear ?? []).map((flag) => `no ${asWords(flag)}`), ...(need.fit ?? []).map(asWords)]
      .filter(Boolean)
      .join(', ');
</script>

<section aria-labelledby="needs">
  <h2 id="needs" class="text-lead">Guests who wait for an answer</h2>
  <ul>
    {#each needs as entry (entry.need.id)}
      {@const need = entry.need}
      <li class="flex items-start justify-between gap-2 border-b border-rule py-1.5">
        <span>
          <span class="font-amount">{need.guest}</span>
          <span class="block text-soft">{told(need)} · {need.strictness}</span>
          {#if entry.damaged}<span class="block text-brick">{entry.damaged}</span>{/if}
        </span>
        <button
          type="button"
          class="min-h-11 px-2 underline underline-offset-4"
          aria-label="{need.guest} is answered"
          disabled={answering.busy}
          onclick={() => answering.send(entry)}
        >
          answered
        </button>
      </li>
    {/each}
  </ul>
  <div class="mt-2 grid gap-2">
    <Field label="Guest or table">
      <input class="field" maxlength="200" autocomplete="off" bind:value={form.fields.guest} />
    </Field>
    <div class="flex gap-2">
      <Field label="Must be" class="min-w-0 flex-1">
        <select class="field" bind:value={form.fields.goal}>
          <option value="">choose</option>
          {#each kitchen.data?.diets ?? [] as diet (diet.id)}
            <option value="fit:{diet.id}">{diet.name}</option>
          {/each}
          {#each kitchen.data?.flags ?? [] as flag (flag.id)}
            <option value="clear:{flag.id}">without {flag.name.toLowerCase()}</option>
          {/each}
        </select>
      </Field>
      <Field label="As" class="w-32">
        <select class="field" bind:value={form.fields.strictness}>
          {#each kitchen.data?.strictness ?? [] as word (word)}<option value={word}>{word}</option
            >{/each}
        </select>
      </Field>
    </div>
    <div>
      <Button
        disabled={wanted.guest.trim() === '' || wanted.goal === '' || adding.busy}
        onclick={add}>Add the guest</Button
      >
    </div>
    <ErrorText error={adding.error ?? answering.error} />
  </div>
</section>
