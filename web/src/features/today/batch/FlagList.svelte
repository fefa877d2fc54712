<script lang="ts">
  import type { Schema } from '../../../api/client';
  import { levelWord } from '../../../lib/levels';

  /** Flags of one level with their sources; those that come from the same are told together. */
  let { flags }: { flags: Schema['CarriedFlag'][] } = $props();

  const KINDS: Record<string, string> = {
    possible: 'may be in it, nobody noted the lot',
    gone: 'no longer in the book',
    recorded: 'written down when it was made',
    own: 'by its own statements'
  };

  const together = $derived.by(() => {
    const found: Record<string, Schema['CarriedFlag'][]> = {};
    for (const flag of flags)
      (found[JSON.stringify([flag.sources, flag.card, flag.then])] ??= []).push(flag);
    return Object.values(found);
  });
</script>

<ul>
  {#each together as alike, index (index)}
    {@const flag = alike[0]}
    {#if flag}
      <li
        class="grid grid-cols-[210px_minmax(0,1fr)] gap-3 border-b border-rule py-2 max-phone:grid-cols-1"
        data-flag={alike.map((each) => each.flag).join(' ')}
      >
        <div>
          <p class="font-semibold">{alike.map((each) => each.name).join(', ')}</p>
          {#if flag.card != null && flag.card !== flag.level}
            <p class="text-clay">card: {levelWord(flag.card)}</p>
          {/if}
          {#if flag.then != null && flag.then !== flag.level}
            <p class="text-soft">then: {levelWord(flag.then)}</p>
          {/if}
        </div>
        <ul>
          {#each flag.sources as source, number (number)}
            <li>
              {source.source}{source.lot ? `, lot ${source.lot}` : ''}{source.maker
                ? `, ${source.maker}`
                : ''}{source.way.length > 0 ? ` → ${source.way.join(' → ')}` : ''}
              {#if source.tool}<span class="text-soft">by way of the {source.tool}</span>{/if}
              {#if KINDS[source.kind]}<span class="text-soft">{KINDS[source.kind]}</span>{/if}
              {#if source.level !== flag.level}
                <span class="text-soft">{levelWord(source.level)}</span>
              {/if}
            </li>
          {/each}
        </ul>
      </li>
    {/if}
  {/each}
</ul>
