<script lang="ts">
  import { firstStepsQuery } from '../../../api/queries';
  import { p } from '../../../app/routes';

  /** What is in and what is next, in sight until the first plates are complete. */
  const steps = firstStepsQuery();

  const count = (n: number, word: string) => `${n} ${word}${n === 1 ? '' : 's'}`;
</script>

{#if steps.data && !steps.data.over && steps.data.recipes > 0}
  {@const found = steps.data}
  <p class="border-b border-rule bg-ladle-pale px-5 py-2" data-first-steps>
    <b class="font-strong">
      {count(found.recipes, 'recipe')} in, {count(found.unread, 'jar')} to read{found.first.length >
      0
        ? ':'
        : '.'}
    </b>
    {#each found.first as jar, at (jar.id)}
      <a class="underline underline-offset-4" href={p('/larder/:id', { params: { id: jar.id } })}
        >{jar.name}</a
      >{at < found.first.length - 1 ? ', ' : ''}
    {/each}
    {#if found.frees > 0}
      {found.first.length === 1 ? 'frees' : 'free'}
      {count(found.frees, 'plate')}.
    {/if}
    <a class="underline underline-offset-4" href={p('/next-jar')}>Go through them</a>
  </p>
{/if}
