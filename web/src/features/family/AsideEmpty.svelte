<script lang="ts">
  import { jarsQuery } from '../../api/queries';
  import { LEVELS, levelWord } from '../../lib/levels';
  import PotMark from '../../ui/marks/PotMark.svelte';
  import { p } from '../../app/routes';

  const jars = jarsQuery();
  const holding = $derived(
    (jars.data?.entries ?? [])
      .filter((jar) => jar.unchecked > 0)
      .sort((a, b) => b.plates - a.plates)
      .slice(0, 6)
  );
</script>

<div class="overflow-y-auto px-4.5 pt-4 pb-4">
  <h2 class="text-head leading-tight">Choose a pot</h2>
  <p class="mt-1 text-soft">
    Its pour lights up: what it is made from on the left, what it goes into on the right.
  </p>
  <ul class="mt-4 grid gap-1.5" aria-label="The marks">
    {#each LEVELS.toReversed() as level (level)}
      <li class="flex items-center gap-2"><PotMark {level} decorative />{levelWord(level)}</li>
    {/each}
  </ul>
  {#if holding.length > 0}
    <h3 class="mt-5 border-t border-rule pt-4 text-lead">Nobody has read these yet</h3>
    <ul class="mt-1">
      {#each holding as jar (jar.id)}
        <li class="border-b border-rule">
          <a
            href={p('/larder/:id', { params: { id: jar.id } })}
            class="flex min-h-11 items-start gap-2 py-2 hover:underline"
          >
            <span class="mt-0.5"><PotMark level="unchecked" decorative /></span>
            <span class="leading-tight">
              {jar.name}
              <span class="block text-base text-soft">
                {jar.unchecked}
                {jar.unchecked === 1 ? 'statement' : 'statements'} not checked, holds back
                {jar.plates}
                {jar.plates === 1 ? 'plate' : 'plates'}
              </span>
            </span>
          </a>
        </li>
      {/each}
    </ul>
  {/if}
</div>
