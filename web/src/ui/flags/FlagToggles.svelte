<script lang="ts">
  import Field from '../Field.svelte';
  import { ToggleGroup } from 'bits-ui';
  import type { Level, Schema } from '../../api/client';
  import { LEVELS, levelWord } from '../../lib/levels';
  import PotMark from '../marks/PotMark.svelte';

  /** One row a flag, one toggle a level; a flag without a toggle follows `otherwise`. */
  let {
    flags,
    statements,
    otherwise,
    onset
  }: {
    flags: Schema['Flag'][];
    statements: Record<string, Level>;
    otherwise: Level;
    onset: (flag: string, level: Level | null) => void;
  } = $props();

  let words = $state('');
  const GROUPS = { allergen: 'Allergens', origin: 'Origins', house: 'House flags' };
  const shown = $derived(flags.filter((f) => f.name.toLowerCase().includes(words.toLowerCase())));
  const groups = $derived(
    Object.entries(GROUPS)
      .map(([id, name]) => ({ id, name, flags: shown.filter((flag) => flag.group === id) }))
      .filter((group) => group.flags.length > 0)
  );
</script>

<div class="mb-1 flex flex-wrap items-end gap-x-6 gap-y-2">
  <Field label="Find a flag" class="w-72">
    <input class="field" bind:value={words} />
  </Field>
  <ul
    class="flex min-h-11 flex-wrap items-center gap-x-5 text-base text-soft"
    aria-label="The marks"
  >
    {#each LEVELS as level (level)}
      <li class="flex items-center gap-1.5"><PotMark {level} decorative />{levelWord(level)}</li>
    {/each}
  </ul>
</div>
{#each groups as group (group.id)}
  <h3 class="mt-3 text-lead">{group.name}</h3>
  <ul class="grid grid-cols-2 gap-x-8 max-wide:grid-cols-1">
    {#each group.flags as flag (flag.id)}
      {@const stated = statements[flag.id]}
      <li
        class="grid grid-cols-[minmax(0,1fr)_auto] items-center gap-2 border-b border-rule"
        data-flag={flag.id}
      >
        <span class="leading-tight" title={flag.note}>
          {flag.name}
          <span class={['block text-base', stated ? 'text-ink' : 'text-soft']}>
            {levelWord(stated ?? otherwise)}{stated ? '' : ', as all the rest'}
          </span>
        </span>
        <ToggleGroup.Root
          type="single"
          value={stated ?? ''}
          onValueChange={(level) => onset(flag.id, (level || null) as Level | null)}
          class="flex"
          aria-label={flag.name}
        >
          {#each LEVELS as level (level)}
            <ToggleGroup.Item
              value={level}
              aria-label="{flag.name}: {levelWord(level)}"
              class="grid size-11 place-items-center border-b-3 border-transparent data-[state=on]:border-ladle data-[state=on]:bg-ladle-pale"
            >
              <PotMark {level} decorative />
            </ToggleGroup.Item>
          {/each}
        </ToggleGroup.Root>
      </li>
    {/each}
  </ul>
{/each}
