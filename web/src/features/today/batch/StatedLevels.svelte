<script lang="ts">
  import { answer, api, type Schema } from '../../../api/client';
  import { kitchenQuery } from '../../../api/queries';
  import { Write } from '../../../api/write.svelte';
  import Button from '../../../ui/Button.svelte';
  import ErrorText from '../../../ui/ErrorText.svelte';
  import Field from '../../../ui/Field.svelte';
  import Pick from '../../../ui/Pick.svelte';

  /** What is stated of a batch itself: more that it carries, or a wrong level taken off. */
  let { batch }: { batch: Schema['BatchOut'] } = $props();

  type Stated = 'contains' | 'may_contain';
  const LEVELS: { value: Stated; name: string }[] = [
    { value: 'contains', name: 'contains' },
    { value: 'may_contain', name: 'may contain' }
  ];

  const kitchen = kitchenQuery();
  let flag = $state('');
  let level = $state<Stated>('contains');
  let why = $state('');

  const held = $derived(
    batch.flags.filter((each) => each.sources.some((source) => source.kind === 'recorded'))
  );
  const stating = new Write(
    (body: Schema['StatedIn']) =>
      answer(
        api.POST('/api/v1/batches/{id}/statements', { params: { path: { id: batch.id } }, body })
      ),
    { says: () => 'Recorded.', reaches: 'day' }
  );

  async function record(of: string, to: Stated | null) {
    await stating.send({ flag: of, level: to, why: why.trim(), seen: batch.seen });
    if (stating.error === null) why = flag = '';
  }
</script>

<details class="mt-3 border-t border-rule" data-stated>
  <summary class="min-h-11 cursor-pointer py-2 underline"
    >{held.length > 0
      ? 'Take off a level that was written down wrongly'
      : 'It carries more than that'}</summary
  >
  <div class="grid max-w-xl gap-3 pb-3">
    <Field label="Why">
      <input class="field" maxlength="200" autocomplete="off" bind:value={why} />
    </Field>
    {#each held as each (each.flag)}
      <div>
        <Button disabled={stating.busy || why.trim() === ''} onclick={() => record(each.flag, null)}
          >Take off {each.name.toLowerCase()}</Button
        >
      </div>
    {/each}
    <Field label="It carries besides">
      <select class="field" bind:value={flag}>
        <option value=""></option>
        {#each kitchen.data?.flags ?? [] as each (each.id)}
          <option value={each.id}>{each.name}</option>
        {/each}
      </select>
    </Field>
    <Pick label="How surely" options={LEVELS} bind:value={level} />
    <div>
      <Button disabled={stating.busy || flag === ''} onclick={() => record(flag, level)}
        >Write it down</Button
      >
    </div>
    <ErrorText error={stating.error} />
  </div>
</details>
