<script lang="ts">
  import { answer, api } from '../../../api/client';
  import { Write } from '../../../api/write.svelte';
  import Button from '../../../ui/Button.svelte';
  import ErrorText from '../../../ui/ErrorText.svelte';
  import WriterNote from '../../../ui/WriterNote.svelte';
  import { currentUser } from '../../../api/currentUser.svelte';
  import type { Pot } from '../../../lib/lines';

  /** Who checked the pot, and whether that still holds. */
  let { pot }: { pot: Pot } = $props();

  const signed = $derived(pot.sign_off);
  const signing = new Write(
    () => {
      const params = { path: { id: pot.preparation.id } };
      const body = { seen: pot.standing };
      return answer(api.POST('/api/v1/preparations/{id}/sign-off', { params, body }));
    },
    {
      says: (signed) => `${pot.preparation.name} is signed off by ${signed.person}.`,
      reaches: 'sign_off'
    }
  );
</script>

<section aria-labelledby="sign-off" class="mt-4 border-t border-rule pt-3" data-sign-off>
  <h2 id="sign-off" class="text-lead">Checked</h2>
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
    <WriterNote />
    <Button disabled={!currentUser.initials || signing.busy} onclick={() => signing.send(undefined)}
      >Sign it off</Button
    >
  </div>
  <ErrorText error={signing.error} />
</section>
