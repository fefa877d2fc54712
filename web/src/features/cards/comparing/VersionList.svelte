<script lang="ts">
  import { versionsQuery } from '../../../api/queries';

  /** Every recorded version of a card, with what it changed. */
  let {
    id,
    chosen,
    onchoose,
    onleft
  }: {
    id: string;
    chosen: string;
    onchoose: (side: string) => void;
    onleft: (side: string) => void;
  } = $props();

  const versions = versionsQuery(() => id);
  const when = (at: string) => new Date(at).toLocaleString('sv-SE').slice(0, 16);
</script>

<ol data-versions>
  {#each versions.data ?? [] as version (version.entry)}
    {@const side = `${id}@${version.entry}`}
    <li class="border-b border-rule">
      <button
        type="button"
        class={['w-full px-2 py-2 text-left leading-snug', chosen === side && 'bg-ladle-pale']}
        aria-pressed={chosen === side}
        onclick={() => onchoose(side)}
      >
        <time class="amount text-base" datetime={version.at}>{when(version.at)}</time>
        <span class="text-soft">{version.person ?? 'nobody named'}</span>
        {#each version.differences.slice(0, 6) as difference (difference.sentence)}
          <span class="block text-base">{difference.sentence}</span>
        {:else}
          <span class="block text-base text-soft">{version.told}</span>
        {/each}
      </button>
      <button type="button" class="min-h-11 px-2 underline" onclick={() => onleft(side)}>
        Put this one on the left
      </button>
    </li>
  {:else}
    <li class="py-2 text-soft">It stands as it was first recorded.</li>
  {/each}
</ol>
