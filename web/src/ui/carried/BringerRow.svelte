<script lang="ts">
  import type { Schema } from '../../api/client';
  import PotMark from '../marks/PotMark.svelte';
  import { levelWord } from '../../lib/levels';
  import WayText from './WayText.svelte';

  /** One jar with its way into the pot and all that it brings. */
  let { bringer, ask }: { bringer: Schema['BringerOut']; ask: string | null } = $props();

  const NAMED = 8;
  const named = $derived(
    bringer.way.names[0] === 'here' ? 'Stated on this card' : bringer.way.names[0]
  );
  const aside = $derived(
    bringer.way.own
      ? bringer.way.words.length > 0
        ? `by its words: ${bringer.way.words.join(', ')}`
        : named === bringer.way.names[0]
          ? 'as stated'
          : ''
      : bringer.way.strained_out
        ? 'strained out'
        : ''
  );
</script>

<li
  class={[
    'border-b border-rule pb-2 leading-[1.27]',
    ask !== null && bringer.brings.some((brought) => brought.flags.includes(ask)) && 'bg-ladle-pale'
  ]}
  data-brings={bringer.way.source}
>
  <b class="font-strong">{named}</b>{#if aside}<span class="text-soft">, {aside}</span>{/if}
  {#if bringer.way.names.length > 1}<WayText way={bringer.way} rest />{/if}
  {#each bringer.brings as brought (brought.level)}
    <div class="mt-1 flex gap-1">
      <PotMark level={brought.level} decorative />
      {#if brought.names.length > NAMED}
        <details>
          <summary
            class="flex min-h-11 cursor-pointer underline decoration-edge underline-offset-3"
          >
            {brought.names.length} flags {levelWord(brought.level)}
          </summary>
          {brought.names.join(', ')}
        </details>
      {:else}
        <p>{levelWord(brought.level)}: {brought.names.join(', ')}</p>
      {/if}
    </div>
  {/each}
</li>
