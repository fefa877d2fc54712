<script lang="ts">
  import { untrack } from 'svelte';
  import { identified } from '../../../api/ids';
  import Button from '../../../ui/Button.svelte';
  import Sheet from '../../../ui/Sheet.svelte';
  import RecordFoot from '../../../ui/impact/RecordFoot.svelte';
  import { Recording, type Change } from '../../../ui/impact/recording.svelte';
  import { navigate } from '../../../app/routes';
  import { copyOf } from '../edit/pieces';
  import type { Pot } from '../../../lib/lines';

  /** Copies, renames, retires or removes a pot. */
  let { pot, onclose }: { pot: Pot; onclose: () => void } = $props();

  type Act_ = 'copy' | 'rename' | 'retire' | 'remove';
  const recording = new Recording();
  const made = untrack(() => pot.preparation);
  const seen = untrack(() => pot.version);
  const free = untrack(() => pot.goes_into.length === 0);
  let act = $state<Act_>('copy');
  let name = $state(`${made.name}, copy`);

  const WORDS: [Act_, string][] = [
    ['copy', 'Copy it as a new pot'],
    ['rename', 'Rename it'],
    ['retire', made.retired ? 'Offer it again' : 'Retire it'],
    ['remove', 'Remove it']
  ];

  function choose(next: Act_) {
    act = next;
    name = next === 'copy' ? `${made.name}, copy` : made.name;
  }

  async function changeOf(): Promise<Change> {
    const id = made.id;
    if (act === 'copy') {
      return {
        change: 'preparation',
        preparation: await identified(copyOf(made, name.trim()))
      };
    }
    if (act === 'rename') return { change: 'renaming', preparation: id, name: name.trim() };
    if (act === 'retire') return { change: 'retirement', preparation: id, retired: !made.retired };
    return { change: 'removal', item: id };
  }

  $effect(() => {
    const wanted = name.trim() !== '' && act ? changeOf : null;
    recording.preview(wanted);
  });

  async function record() {
    const change = await changeOf();
    if (!(await recording.record(change, act === 'copy' ? null : seen))) return;
    onclose();
    if (change.change === 'preparation')
      void navigate('/pots/:id', { params: { id: change.preparation.id } });
    if (change.change === 'removal') void navigate('/pots');
  }
</script>

<Sheet bind:open={() => true, onclose} title={made.name}>
  <div class="flex flex-wrap gap-2">
    {#each WORDS as [key, word] (key)}
      <Button onclick={() => choose(key)}>{act === key ? '• ' : ''}{word}</Button>
    {/each}
  </div>
  {#if act === 'copy' || act === 'rename'}
    <label class="mt-4 block">
      <span class="text-soft">Name</span>
      <input class="field" maxlength="200" bind:value={name} />
    </label>
    {#if act === 'rename'}
      <p class="mt-2 text-soft">Everything that is made from it follows the new name.</p>
    {/if}
  {:else if act === 'retire'}
    <p class="mt-4">
      {made.retired
        ? 'It is found and offered again.'
        : 'It is not offered any more, and stays in all that is made from it, with all its flags.'}
    </p>
  {:else}
    <p class="mt-4">
      {free
        ? 'It leaves the book; its history stays.'
        : 'Something is made from it, so it cannot be removed. Retire it instead.'}
    </p>
  {/if}
  {#snippet foot()}
    <RecordFoot {recording} onrecord={record} />
  {/snippet}
</Sheet>
