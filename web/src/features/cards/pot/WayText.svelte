<script lang="ts">
  import type { Level, Schema } from '../../../api/client';
  import { levelWord } from '../../../ui/marks/levels';

  /** One way of a flag, from its source to here; its own level is told where it is the lower. */
  let { way, level }: { way: Schema['WayOut']; level: Level } = $props();

  const own = $derived(way.names[0] === 'here' ? 'stated here' : `${way.names[0]}, as stated`);
  const first = $derived(
    way.own ? own : `${way.names[0]}${way.strained_out ? ', strained out' : ''}`
  );
  const told = $derived([first, ...way.names.slice(1)]);
</script>

<p>
  <span aria-hidden="true">{told.join('\u00a0→ ')}</span>
  <span class="sr-only">{told.join(', into ')}</span>
  {#if way.level !== level}({levelWord(way.level)}){/if}
</p>
