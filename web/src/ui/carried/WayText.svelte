<script lang="ts">
  import type { Schema } from '../../api/client';

  /** One way of a flag, from its source to here; `rest`: what comes after the source. */
  let {
    way,
    rest = false,
    aside = ''
  }: { way: Schema['WayOut']; rest?: boolean; aside?: string } = $props();

  const said = $derived(way.words.map((word) => `“${word}”`).join(', '));
  const own = $derived(
    said
      ? `${way.names[0] === 'here' ? 'its own words' : `the words of ${way.names[0]}`}: ${said}`
      : way.names[0] === 'here'
        ? 'stated here'
        : `${way.names[0]}, as stated`
  );
  const first = $derived(
    way.own ? own : `${way.names[0]}${way.strained_out ? ', strained out' : ''}`
  );
  const told = $derived(rest ? way.names.slice(1) : [first, ...way.names.slice(1)]);
</script>

<p class={rest ? 'text-soft' : ''}>
  <span aria-hidden="true">{rest ? '→ ' : ''}{told.join('\u00a0→ ')}</span>
  <span class="sr-only">{rest ? 'into ' : ''}{told.join(', into ')}</span>
  {#if aside}({aside}){/if}
</p>
