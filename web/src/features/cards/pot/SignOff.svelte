<script lang="ts">
  import { answer, api } from '../../../api/client';
  import { afterRecording } from '../../../api/queries';
  import { announcements } from '../../../app/announce.svelte';
  import Button from '../../../ui/Button.svelte';
  import ErrorText from '../../../ui/ErrorText.svelte';
  import PersonPick from '../../people/PersonPick.svelte';
  import { currentUser } from '../../people/currentUser.svelte';
  import type { Pot } from './lines';

  /** Who checked the pot, and whether that still holds. */
  let { pot }: { pot: Pot } = $props();

  let error = $state<unknown>(null);
  const signed = $derived(pot.sign_off);

  async function sign() {
    error = null;
    try {
      const params = { path: { id: pot.preparation.id } };
      const body = { person: currentUser.person.trim() };
      await answer(api.POST('/api/v1/preparations/{id}/sign-off', { params, body }));
      announcements.say(`${pot.preparation.name} is signed off by ${body.person}.`);
      await afterRecording();
    } catch (refusal) {
      error = refusal;
    }
  }
</script>

<section aria-labelledby="sign-off" class="mt-4 border-t border-rule pt-3" data-sign-off>
  <h2 id="sign-off" class="text-[18px]">Checked</h2>
  {#if signed}
    <p class={signed.stale_by ? 'text-soft line-through' : 'text-moss'}>
      Checked by {signed.person} on {signed.date}
    </p>
    {#if signed.stale_by}
      <p class="text-clay">Stale since {signed.stale_since}: {signed.stale_by}</p>
    {/if}
  {:else}
    <p class="text-soft">Nobody has signed this pot off.</p>
  {/if}
  <div class="mt-1 flex flex-wrap items-end gap-3">
    <PersonPick />
    <Button disabled={currentUser.person.trim() === ''} onclick={sign}>Sign it off</Button>
  </div>
  <ErrorText {error} />
</section>
