<script lang="ts">
  import type { Level } from '../../api/client';
  import type { Found } from './photograph.svelte';

  /**
   * A picture as it was read, its words marked in it: what is not certain has a dashed frame, what
   * led to a flag a line beneath. `mark` tells of the words between two places of the text.
   */
  let {
    found,
    mark
  }: {
    found: Found;
    mark: (start: number, end: number) => { level: Level | null; doubtful: boolean };
  } = $props();

  const UNDER: Record<Level, string> = {
    contains: 'border-paper-enamel',
    may_contain: 'border-dotted border-paper-enamel',
    unchecked: 'border-dashed border-paper-clay',
    free: ''
  };
  const percent = (share: number) => `${100 * share}%`;
</script>

<div class="relative mt-2 w-fit border border-rule" data-photo-words>
  <img src={found.picture} alt="As it was read" class="block max-h-[60dvh] max-w-full" />
  {#each found.words as word (word.start)}
    {@const { level, doubtful } = mark(word.start, word.end)}
    {#if level || doubtful}
      <span
        aria-hidden="true"
        data-mark={doubtful ? 'doubtful' : level}
        class={[
          'absolute box-content',
          doubtful
            ? 'outline-2 outline-offset-2 outline-paper-clay outline-dashed'
            : level && ['border-b-3 pb-0.5', UNDER[level]]
        ]}
        style:left={percent(word.place.left)}
        style:top={percent(word.place.top)}
        style:width={percent(word.place.width)}
        style:height={percent(word.place.height)}
      ></span>
    {/if}
  {/each}
</div>
