<script lang="ts">
  import { answer, api, type Schema } from '../../../api/client';
  import { Write } from '../../../api/write.svelte';
  import { p } from '../../../app/routes';
  import Button from '../../../ui/Button.svelte';
  import ErrorText from '../../../ui/ErrorText.svelte';
  import Field from '../../../ui/Field.svelte';

  /** What can be done with a thing on the shelf: moved, frozen, thawed, thrown away. */
  let { thing, ondone }: { thing: Schema['StandingOut']; ondone: () => void } = $props();

  let place = $state('');
  let day = $state('');
  let why = $state('');

  const moving = new Write(
    (to: Schema['MoveIn']['to']) =>
      answer(
        api.POST('/api/v1/shelf/moves', {
          body: { of: thing.reference, to, use_by: day || null, place: place.trim() }
        })
      ),
    { says: (_, to) => `${thing.name}: ${to ?? 'moved'}.`, reaches: 'day' }
  );
  const discarding = new Write(
    () =>
      answer(
        api.POST('/api/v1/shelf/discards', { body: { of: thing.reference, why: why.trim() } })
      ),
    { says: () => `${thing.name}: thrown away.`, reaches: 'day' }
  );

  async function move(to: Schema['MoveIn']['to']) {
    await moving.send(to);
    if (moving.error === null) ondone();
  }
</script>

<div class="grid gap-3 bg-ground py-3 pl-[146px] max-phone:pl-0" data-acts>
  <div class="flex flex-wrap items-end gap-3">
    <Field label="Where to" class="w-48">
      <input class="field" maxlength="200" autocomplete="off" bind:value={place} />
    </Field>
    <Field label="Until" class="w-44"><input class="field" type="date" bind:value={day} /></Field>
    <Button disabled={moving.busy || (place.trim() === '' && day === '')} onclick={() => move(null)}
      >Move it</Button
    >
    <Button disabled={moving.busy} onclick={() => move('chilled')}>Chill it</Button>
    {#if thing.storage === 'frozen'}
      <Button disabled={moving.busy} onclick={() => move('thawed')}>Thaw it</Button>
    {:else}
      <Button disabled={moving.busy} onclick={() => move('frozen')}>Freeze it</Button>
    {/if}
  </div>
  <div class="flex flex-wrap items-end gap-3">
    <Field label="Why it is thrown away" class="w-72">
      <input class="field" maxlength="200" autocomplete="off" bind:value={why} />
    </Field>
    <Button disabled={discarding.busy} onclick={() => discarding.send(undefined)}
      >Throw it away</Button
    >
    {#if thing.kind !== 'tub'}
      <a
        class="min-h-11 px-2 py-2 underline"
        href={`${p('/trace')}?${thing.kind}=${encodeURIComponent(thing.reference.split('/')[0] ?? '')}`}
        >Trace it</a
      >
    {/if}
  </div>
  <ErrorText error={moving.error ?? discarding.error} />
</div>
