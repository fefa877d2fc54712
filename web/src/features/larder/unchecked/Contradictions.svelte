<script lang="ts">
  import type { Schema } from '../../../api/client';
  import { asWords, levelWord } from '../../../lib/levels';
  import { p } from '../../../app/routes';

  /** Pairs of records that cannot both be right, each with both ways to settle it. */
  let { found }: { found: Schema['ContradictionOut'][] } = $props();

  const UNITS: Record<string, string> = {
    abv_percent: '% alcohol by volume',
    so2_mg_per_kg: 'mg of SO2 in a kilogram'
  };

  function other(entry: Schema['ContradictionOut']): string {
    const unit = UNITS[entry.against];
    if (unit) return `${entry.number} ${unit} is recorded`;
    const by = entry.against === 'name' ? 'by its name it is' : 'it is recorded as';
    return `${by} ${entry.class_name}`;
  }
</script>

<section aria-labelledby="contradictions" data-contradictions>
  <h2 id="contradictions" class="text-lead">Two records that cannot both be right</h2>
  <p class="text-soft">The higher of the two counts until one is corrected.</p>
  <ul>
    {#each found as entry (entry.product.id + entry.maker + entry.flag + entry.against)}
      {@const place = p('/larder/:id', { params: { id: entry.product.id } })}
      <li class="border-b border-rule py-1.5">
        <span class="font-amount">{entry.product.name}</span>{entry.maker ? `, ${entry.maker}` : ''}
        <span class="block text-clay">
          {asWords(entry.flag)}: stated {levelWord(entry.level)}, but {other(entry)}. Counts as
          {levelWord(entry.reads)}.
        </span>
        <a class="inline-flex min-h-11 items-center underline" href={place}>Correct the statement</a
        >
        or
        <a class="inline-flex min-h-11 items-center underline" href="{place}?tab=numbers"
          >{UNITS[entry.against] ? 'correct the number' : 'say what it is'}</a
        >
      </li>
    {/each}
  </ul>
</section>
