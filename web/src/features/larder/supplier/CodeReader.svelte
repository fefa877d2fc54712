<script lang="ts">
  import { answer, api } from '../../../api/client';
  import { codesQuery } from '../../../api/queries';
  import CodeBox from '../products/CodeBox.svelte';
  import ErrorText from '../../../ui/ErrorText.svelte';
  import { navigate } from '../../../app/routes';

  /** Bar codes that are known, to open a jar by one. A new one is read in the box of the jars. */
  const codes = codesQuery();
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
  <CodeBox />
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
