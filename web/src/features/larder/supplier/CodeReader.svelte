<script lang="ts">
  import Field from '../../../ui/Field.svelte';
  import { answer, api } from '../../../api/client';
  import { codesQuery } from '../../../api/queries';
  import Button from '../../../ui/Button.svelte';
  import ErrorText from '../../../ui/ErrorText.svelte';
  import { navigate } from '../../../app/routes';

  /** A stand-in for a bar code reader: a code is typed, or chosen from those that are known. */
  const codes = codesQuery();
  let typed = $state('');
  let error = $state<unknown>(null);

  async function open(code: string) {
    error = null;
    try {
      const params = { path: { code: code.trim() } };
      const found = await answer(api.GET('/api/v1/codes/{code}', { params }));
      await navigate('/larder/:id', { params: { id: found.product.id } });
    } catch (refusal) {
      error = refusal;
    }
  }
</script>

<section aria-labelledby="codes" class="pt-3">
  <h2 id="codes" class="text-lead">Bar code</h2>
  <form
    class="mt-1 flex items-end gap-2"
    onsubmit={(event) => {
      event.preventDefault();
      void open(typed);
    }}
  >
    <Field label="Number under the bars" class="flex-1">
      <input class="field amount" inputmode="numeric" autocomplete="off" bind:value={typed} />
    </Field>
    <Button disabled={typed.trim() === ''} onclick={() => open(typed)}>Open</Button>
  </form>
  <ErrorText {error} />
  <ul class="mt-2">
    {#each codes.data ?? [] as entry (entry.code)}
      <li class="border-b border-rule">
        <button
          type="button"
          class="grid min-h-11 w-full grid-cols-[150px_minmax(0,1fr)] items-center text-left hover:bg-ladle-pale"
          onclick={() => open(entry.code)}
        >
          <span class="amount text-base">{entry.code}</span>
          <span>{entry.product.name}{entry.maker ? `, ${entry.maker}` : ''}</span>
        </button>
      </li>
    {/each}
  </ul>
</section>
