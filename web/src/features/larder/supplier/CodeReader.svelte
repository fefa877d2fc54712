<script lang="ts">
  import { codesQuery } from '../../../api/queries';
  import CodeBox from '../products/CodeBox.svelte';
  import { navigate } from '../../../app/routes';

  /** Bar codes that are known, to open a jar by one. A new one is read in the box of the jars. */
  const codes = codesQuery();
</script>

<section aria-labelledby="codes" class="pt-3">
  <h2 id="codes" class="text-lead">Bar code</h2>
  <CodeBox />
  <ul class="mt-2">
    {#each codes.data ?? [] as entry (entry.code)}
      <li class="border-b border-rule">
        <button
          type="button"
          class="grid min-h-11 w-full grid-cols-[150px_minmax(0,1fr)] items-center text-left hover:bg-ladle-pale"
          onclick={() => void navigate('/larder/:id', { params: { id: entry.product.id } })}
        >
          <span class="amount text-base">{entry.code}</span>
          <span>{entry.product.name}{entry.maker ? `, ${entry.maker}` : ''}</span>
        </button>
      </li>
    {/each}
  </ul>
</section>
