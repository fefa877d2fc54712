<script lang="ts">
  import Button from '../../../ui/Button.svelte';
  import { p } from '../../../app/routes';
  import LineRow from './LineRow.svelte';
  import { groupsOf, type Line, type Pot } from '../../../lib/lines';

  let { pot, onchange }: { pot: Pot; onchange: (line: Line) => void } = $props();

  const groups = $derived(groupsOf(pot.lines));
</script>

{#each groups as group (group.heading)}
  <h3 class="pt-2 pb-0.5 font-sans text-base font-normal text-soft">{group.heading}</h3>
  <ul>
    {#each group.lines as line (line.index)}
      <li><LineRow {line} onclick={() => onchange(line)} /></li>
    {/each}
  </ul>
{:else}
  <p class="my-3">
    Nobody has written this card yet: it stands by its flags alone, and whatever is not stated is
    not checked.
  </p>
  <Button href={p('/pots/:id/edit', { params: { id: pot.preparation.id } })}>Write the card</Button>
{/each}
