<script lang="ts">
  import { tick, untrack } from 'svelte';
  import type { Schema } from '../../api/client';
  import { openPot } from '../../app/keys.svelte';
  import { narrow } from '../../ui/narrow';
  import type { Board } from './board.svelte';
  import ColumnPages from './ColumnPages.svelte';
  import PotStrip from './PotStrip.svelte';
  import Pour from './Pour.svelte';
  import { selection } from '../../lib/selection.svelte';

  let { board, columns }: { board: Board; columns: Schema['ColumnOut'][] } = $props();

  let field = $state<HTMLElement>();
  let height = $state(0);
  /** The column that a phone shows: of the chosen pot, else plates, until the page is turned. */
  let at = $state(untrack(() => (placed(selection.pot) < 0 ? plates() : placed(selection.pot))));

  /** The last column with anything in it. */
  function plates(): number {
    const filled = columns.map((column) => board.groups(column.id).length > 0);
    return Math.max(filled.lastIndexOf(true), 0);
  }

  function placed(id: string | null): number {
    return columns.findIndex((column) =>
      board.groups(column.id).some(({ strips }) => strips.some((strip) => strip.id === id))
    );
  }
  const HEADINGS: Record<string, string> = {
    stock: 'Stocks',
    roux: 'Roux',
    component: 'Components',
    sauce: 'Small sauces',
    soup: 'Soups'
  };

  const heading = (column: string, kind: string) =>
    column === 'mothers' || column === 'plates' ? undefined : HEADINGS[kind];

  /** A phone lays out the one column that stands: the others would take it a third of a second. */
  const shown = (place: number) => !narrow.current || place === at;

  const stripIn = (id: string) => field?.querySelector<HTMLElement>(`[data-strip="${id}"]`);

  // Places are measured, not the strips in them: what is out of sight is not laid out.
  const placeOf = (id: string) => field?.querySelector(`[data-place="${id}"]`);

  async function onkeydown(event: KeyboardEvent) {
    if (event.key === 'Enter' && selection.pot !== null) {
      event.preventDefault();
      await openPot();
    } else if (event.key.startsWith('Arrow')) {
      const next = board.along(event.key);
      event.preventDefault();
      if (next === undefined) return;
      selection.pot = next;
      await tick();
      stripIn(next)?.focus();
    }
  }

  $effect(() => {
    const place = placed(selection.pot);
    if (place >= 0) at = place;
  });

  // What the chosen pot carries comes a moment later, and may take the room that its strip stood in.
  $effect(() => {
    if (selection.pot !== null && field && height > 0)
      placeOf(selection.pot)?.scrollIntoView({ block: 'nearest' });
  });
</script>

<section
  aria-label="The family, bases to plates"
  class="min-h-0 overflow-y-auto"
  bind:clientHeight={height}
>
  <!-- svelte-ignore a11y_no_noninteractive_element_interactions -->
  <div
    bind:this={field}
    role="group"
    aria-label="Pots"
    class="relative grid grid-cols-4 content-start gap-x-[34px] py-3 pr-4 pl-5 max-phone:grid-cols-1 max-phone:px-3"
    {onkeydown}
  >
    {#if field && !narrow.current}<Pour {board} {field} />{/if}
    <ColumnPages {columns} bind:at />
    {#each columns as column, place (column.id)}
      {@const groups = board.groups(column.id)}
      <section
        class={['relative z-10', place !== at && 'max-phone:hidden']}
        aria-labelledby="column-{column.id}"
      >
        <h2
          id="column-{column.id}"
          class="flex min-h-[30px] items-baseline gap-2 text-soft max-phone:sr-only"
        >
          {column.name}
          <span class="amount text-base">
            {groups.reduce((sum, group) => sum + group.strips.length, 0)}
          </span>
        </h2>
        {#each shown(place) ? groups : [] as group (group.kind)}
          {#if heading(column.id, group.kind)}
            <h3 class="mt-2 mb-1 ml-2.5 font-sans text-base font-normal text-soft">
              {heading(column.id, group.kind)}
            </h3>
          {/if}
          <ul>
            {#each group.strips as strip (strip.id)}
              <li
                data-place={strip.id}
                class="mb-1.5 [contain-intrinsic-size:auto_46px] [content-visibility:auto]"
              >
                <PotStrip {board} {strip} />
              </li>
            {/each}
          </ul>
        {/each}
      </section>
    {/each}
  </div>
</section>
