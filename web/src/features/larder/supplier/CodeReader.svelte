<script lang="ts">
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
  <h2 id="codes" class="text-[18px]">Bar code</h2>
  <form
    class="mt-1 flex items-end gap-2"
    onsubmit={(event) => {
      event.preventDefault();
      void open(typed);
    }}
  >
    <label class="block flex-1">
      <span class="text-soft">Number under the bars</span>
      <input class="field amount" inputmode="numeric" autocomplete="off" bind:value={typed} />
    </label>
    <Button disabled={typed.trim() === ''} onclick={() => open(typed)}>Open</Button>
  </form>
  <ErrorText {error} />
  <ul class="mt-2">
    {#each codes.data ?? [] as entry (entry.code)}
      <li class="border-b border-rule">
        <button
          type="button"
          class="grid min-h-11 w-full grid-cols-[130px_minmax(0,1fr)] items-center text-left hover:bg-ladle-pale"
          onclick={() => open(entry.code)}
        >
          <span class="amount text-[14px]">{entry.code}</span>
          <span>{entry.product.name}{entry.maker ? `, ${entry.maker}` : ''}</span>
        </button>
      </li>
    {/each}
  </ul>
</section>
