<script lang="ts">
  import { untrack } from 'svelte';
  import type { Level, Schema } from '../../../api/client';
  import { p } from '../../../app/routes';
  import { KeptForm } from '../../../lib/keptForm.svelte';
  import Button from '../../../ui/Button.svelte';
  import { asWords, LEVELS, levelWord } from '../../../lib/levels';
  import RecordFoot from '../../../ui/impact/RecordFoot.svelte';
  import { Recording, type Change } from '../../../ui/impact/recording.svelte';
  import { currentUser } from '../../../api/currentUser.svelte';
  import WriterNote from '../../../ui/WriterNote.svelte';

  /** A maker's answers about one good, flag by flag. What is not answered stays not checked. */
  let { question }: { question: Schema['MakerQuestionOut'] } = $props();

  const recording = new Recording();
  const ANSWERS = LEVELS.filter((level) => level !== 'unchecked');
  const form = untrack(() => {
    const id = `${question.product.id} ${question.maker ?? ''}`;
    return new KeptForm('answers', id, { levels: {} as Record<string, Level | ''> });
  });
  const levels = $derived(form.fields.levels);
  const answered = $derived(
    Object.fromEntries(Object.entries(levels).filter(([, level]) => level !== ''))
  ) as Record<string, Level>;
  const any = $derived(Object.keys(answered).length > 0);
  const open = $derived(question.flags.filter((flag) => !levels[flag]));

  const change = $derived.by((): Change | null => {
    if (!any || !currentUser.initials) return null;
    const { product, maker } = question;
    return { change: 'maker_answers', product: product.id, maker, levels: answered };
  });
  $effect(() => recording.preview(change));

  async function record() {
    if (!change) return;
    const why = 'the maker answered';
    if (await recording.record(change, question.version, { why })) form.clear();
  }
</script>

<h3 class="text-lead">
  <a class="hover:underline" href={p('/larder/:id', { params: { id: question.product.id } })}
    >{question.product.name}</a
  >
</h3>
{#if question.plates.length > 0}
  <p class="text-soft">
    {question.plates.map((plate) => plate.name).join(', ')}
    {question.plates.length === 1 ? 'waits' : 'wait'} for it.
  </p>
{/if}
{#each question.sentences as sentence (sentence)}<p class="text-clay">{sentence}</p>{/each}
<div class="mt-1 grid grid-cols-[repeat(auto-fill,minmax(15rem,1fr))] gap-x-4 gap-y-1">
  {#each question.flags as flag (flag)}
    <label class="flex items-center gap-2">
      <span class="min-w-0 flex-1">{asWords(flag)}</span>
      <select
        class="field !w-36"
        bind:value={() => levels[flag] ?? '', (v) => (form.fields.levels[flag] = v)}
      >
        <option value="">no answer</option>
        {#each ANSWERS as level (level)}<option value={level}>{levelWord(level)}</option>{/each}
      </select>
    </label>
  {/each}
</div>
{#if any}
  <div class="mt-2 grid gap-2">
    {#if open.length > 0}
      <div>
        <Button
          onclick={() =>
            (form.fields.levels = {
              ...levels,
              ...Object.fromEntries(open.map((f) => [f, 'free']))
            })}>The other {open.length}: free</Button
        >
      </div>
    {/if}
    <WriterNote />
    <RecordFoot
      {recording}
      wants={currentUser.initials ? '' : 'Say who you are: an answer wants the person who had it.'}
      onrecord={record}
    />
  </div>
{/if}
