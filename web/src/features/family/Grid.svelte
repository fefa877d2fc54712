<script lang="ts">
  import { gridQuery } from '../../api/queries';
  import { p } from '../../app/routes';
  import Check from '../../ui/Check.svelte';
  import ErrorText from '../../ui/ErrorText.svelte';
  import Field from '../../ui/Field.svelte';
  import PotMark from '../../ui/marks/PotMark.svelte';
  import { LEVELS, levelWord } from '../../lib/levels';
  import { narrow } from '../../ui/narrow';
  import Page from '../../ui/Page.svelte';
  import Scroll from '../../ui/Scroll.svelte';
  import type { Schema } from '../../api/client';

  /** Plates, or every pot, against what the kitchen's law wants declared. */
  const grid = gridQuery();
  let words = $state('');
  let every = $state(false);
  const groups = $derived(grid.data?.groups ?? []);
  const rows = $derived(
    (grid.data?.rows ?? []).filter(
      (row) =>
        (every || row.kind === 'dish') && row.name.toLowerCase().includes(words.toLowerCase())
    )
  );
  const place = (id: string) => p('/pots/:id', { params: { id } });
  const SHORT = { contains: 'contains', may_contain: 'may', unchecked: 'not checked', free: '' };
  const named = (row: Schema['GridRowOut'], level: string) =>
    groups.filter((group) => row.cells[group.id] === level).map((group) => group.name);
</script>

<Page
  title="Grid"
  told="What each plate contains, may contain, and what nobody has checked, by {grid.data?.regime ??
    'the law'}. An empty cell is free by your records."
>
  {#snippet aside()}<a class="flex min-h-11 items-center underline" href={p('/')}>The board</a
    >{/snippet}
  <ErrorText error={grid.error} />
  <div class="mt-2 flex flex-wrap items-end gap-5">
    <Field label="Part of its name" class="w-72 max-w-full">
      <input class="field" autocomplete="off" bind:value={words} />
    </Field>
    <Check bind:checked={every}>every pot, not plates alone</Check>
  </div>
  {#if narrow.current}
    <ul class="mt-2" data-grid>
      {#each rows as row (row.id)}
        <li class="border-b border-rule py-2">
          <a
            class="flex min-h-11 items-center font-name text-lead font-semibold"
            href={place(row.id)}>{row.name}</a
          >
          {#each LEVELS.toReversed() as level (level)}
            {#if level !== 'free' && named(row, level).length > 0}
              <p class="flex items-start gap-2">
                <PotMark {level} decorative />
                <span
                  ><span class="text-soft">{levelWord(level)}:</span>
                  {named(row, level).join(', ')}</span
                >
              </p>
            {/if}
          {/each}
        </li>
      {:else}
        <li class="py-4 text-soft">Nothing is called so.</li>
      {/each}
    </ul>
  {:else}
    <Scroll label="The grid" class="mt-2 overflow-x-auto">
      <table class="w-full text-left text-base" data-grid>
        <thead>
          <tr class="border-b border-edge align-bottom">
            <th scope="col" class="sticky left-0 bg-porcelain py-1.5 pr-3">Plate or pot</th>
            {#each groups as group (group.id)}
              <th scope="col" class="min-w-20 px-1.5 py-1.5 font-amount leading-tight"
                >{group.name}</th
              >
            {/each}
          </tr>
        </thead>
        <tbody>
          {#each rows as row (row.id)}
            <tr class="border-b border-rule">
              <th scope="row" class="sticky left-0 bg-porcelain py-1 pr-3 font-amount">
                <a class="flex min-h-11 min-w-44 items-center" href={place(row.id)}>{row.name}</a>
              </th>
              {#each groups as group (group.id)}
                {@const level = row.cells[group.id]}
                <td class="px-1.5 py-1 leading-tight">
                  {#if level}
                    <a
                      class={[
                        'flex min-h-11 flex-col justify-center',
                        level === 'unchecked' && 'text-clay'
                      ]}
                      href={place(row.id)}
                      aria-label="{row.name}: {group.name}, {levelWord(level)}"
                    >
                      <PotMark {level} decorative />{SHORT[level]}
                    </a>
                  {/if}
                </td>
              {/each}
            </tr>
          {/each}
        </tbody>
      </table>
    </Scroll>
  {/if}
</Page>
