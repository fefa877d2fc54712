<script lang="ts">
  import type { Schema } from '../../../api/client';
  import { levelWord } from '../../../lib/levels';
  import PotMark from '../../../ui/marks/PotMark.svelte';
  import { amountText, capital, groupsOf, keepsText, type Pot } from '../../../lib/lines';

  /** One card on paper, with its flags in words, the day, and room to sign. */
  let {
    pot,
    size,
    kitchen,
    at
  }: { pot: Pot; size: 'A4' | 'A5'; kitchen: Schema['KitchenOut'] | undefined; at: number } =
    $props();

  /** When what is printed was read; a sheet is out of date as soon as somebody records something. */
  const moment = $derived(new Date(at).toLocaleString('sv-SE').slice(0, 16));

  const made = $derived(pot.preparation);
  const groups = $derived(groupsOf(pot.lines.filter((line) => line.counted)));
  const head = $derived(
    [
      made.kind,
      made.colour,
      made.yield && `makes ${amountText(made.yield.quantity, made.yield.unit)}`,
      made.portions && `${made.portions} portions`,
      keepsText(made.keeps)
    ]
      .filter(Boolean)
      .join(' · ')
  );
</script>

<article
  class={[
    'sheet mx-auto my-5 max-w-full bg-sheet px-10 py-8 max-phone:px-3 print:m-0 print:p-0',
    size === 'A4' ? 'w-[794px] min-h-[1123px]' : 'w-[560px] min-h-[794px] text-base'
  ]}
  data-sheet={size}
>
  <h2 class="text-title leading-tight">{made.name}</h2>
  <p class="border-b-3 border-ladle pb-1">{head}</p>
  {#each pot.carries.parts as part (part.id)}
    <h3 class="mt-2 text-base">{part.name}</h3>
    <dl class="grid gap-0.5" data-carries={part.id}>
      {#each part.levels as { level, names } (level)}
        <div class="relative pl-7">
          <dt class={['inline font-semibold', level === 'unchecked' && 'text-clay']}>
            <span class="absolute -top-0.5 left-0"><PotMark {level} decorative /></span>
            {capital(levelWord(level))}:
          </dt>
          <dd class="inline">{names.join(', ')}</dd>
        </div>
      {/each}
    </dl>
    {#if part.levels.length === 0}<p>Nothing.</p>{/if}
  {:else}
    <p class="mt-2">No flag is recorded above free.</p>
  {/each}
  <h3 class="mt-3 text-lead">What goes in</h3>
  {#each groups as group (group.heading)}
    <p class="mt-1 text-soft">{group.heading}</p>
    <ul>
      {#each group.lines as line (line.index)}
        <li class="grid grid-cols-[110px_minmax(0,1fr)] border-b border-rule py-0.5">
          <span class="amount pr-3 text-right">
            {line.line.typed || amountText(line.line.quantity, line.line.unit)}
          </span>
          <span>
            {line.name}{line.line.note ? `, ${line.line.note}` : ''}{line.line.optional
              ? ' (optional)'
              : ''}
          </span>
        </li>
      {/each}
    </ul>
  {/each}
  {#if (made.method ?? []).length > 0}
    <h3 class="mt-3 text-lead">Method</h3>
    <ol class="list-decimal pl-6">
      {#each made.method ?? [] as step, index (index)}
        <li class="break-inside-avoid py-0.5">
          {step.text}
          <span class="text-soft">
            {[step.minutes && `${step.minutes} min`, step.heat, step.cue]
              .filter(Boolean)
              .join(' · ')}
          </span>
          {#if step.caution}<span class="block text-clay">Caution: {step.caution}</span>{/if}
        </li>
      {/each}
    </ol>
  {/if}
  <footer class="mt-4 border-t border-edge pt-2">
    <p>
      {#if pot.sign_off}
        Checked by {pot.sign_off.person} on {pot.sign_off.date}{pot.sign_off.stale_since
          ? `, stale since ${pot.sign_off.stale_since}`
          : ''}.
      {:else}
        Checked by ____________________ on ______________
      {/if}
    </p>
    <p class="text-base text-soft">
      {kitchen?.name ?? ''} · as of {moment} · {kitchen?.say ?? ''}
    </p>
  </footer>
</article>
