<script lang="ts">
  import type { Schema } from '../../api/client';
  import { p } from '../../app/routes';
  import { asWords, levelWord } from '../../lib/levels';

  /** The plates that get one answer, each with why. */
  let {
    title,
    serving,
    plates,
    told,
    link
  }: {
    title: string;
    serving: 'as_it_is' | 'swap' | 'ask' | 'not';
    plates: Schema['GuestPlateOut'][];
    told?: (plate: string) => string;
    link?: (plate: string) => string;
  } = $props();

  const COLOURS = { as_it_is: 'text-moss', swap: 'text-ink', ask: 'text-clay', not: 'text-brick' };
  const id = $props.id();
  const why = (plate: Schema['GuestPlateOut']) =>
    Object.entries(plate.because)
      .map(([flag, level]) => `${levelWord(level)} ${asWords(flag)}`)
      .join(', ');
</script>

<section aria-labelledby="list-{id}" data-serving={serving}>
  <h2 id="list-{id}" class={['text-head', COLOURS[serving]]}>
    {title} <span class="amount text-lead">{plates.length}</span>
  </h2>
  <ul>
    {#each plates as plate (plate.plate)}
      <li class="border-b border-rule py-1">
        <a
          class="flex min-h-11 items-center font-name text-lead font-semibold hover:underline"
          href={link?.(plate.plate) ?? p('/pots/:id', { params: { id: plate.plate } })}
          >{plate.name}</a
        >
        {#if told}<p class="pb-1">{told(plate.plate)}</p>{/if}
        {#if why(plate)}<p class="pb-1 text-soft">{why(plate)}</p>{/if}
      </li>
    {:else}
      <li class="py-2 text-soft">none</li>
    {/each}
  </ul>
</section>
