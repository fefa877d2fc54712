<script lang="ts">
  import { answer, api, type Schema } from '../api/client';
  import { afterRecording } from '../api/queries';
  import { announcements } from '../frame/announce.svelte';
  import Act from '../parts/Act.svelte';
  import Sheet from '../parts/Sheet.svelte';
  import Trouble from '../parts/Trouble.svelte';
  import { asRule, blank, ROLES } from './ownRule';

  /** A rule of the kitchen's own, with a live example on one of its pots. */
  let { open = $bindable(), classes }: { open: boolean; classes: string[] } = $props();

  let form = $state(blank());
  let tried = $state<Schema['RuleTryOut'] | null>(null);
  let error = $state<unknown>(null);
  const ready = $derived(form.name.trim() !== '' && form.replaces !== '' && form.method !== '');

  $effect(() => {
    const body = asRule(form);
    if (!open || !ready) {
      tried = null;
      return;
    }
    const wait = setTimeout(async () => {
      try {
        tried = await answer(api.POST('/api/v1/rules/try', { body }));
      } catch (refusal) {
        error = refusal;
      }
    }, 200);
    return () => clearTimeout(wait);
  });

  async function keep() {
    error = null;
    try {
      await answer(api.PUT('/api/v1/rules/own', { body: asRule(form) }));
      announcements.say(`Recorded: ${form.name}.`);
      open = false;
      form = blank();
      await afterRecording();
    } catch (refusal) {
      error = refusal;
    }
  }
</script>

<Sheet bind:open title="A rule of our own" wide>
  <Trouble {error} />
  <datalist id="classes">
    {#each classes as word (word)}<option value={word}></option>{/each}
  </datalist>
  <div class="grid grid-cols-2 gap-x-6 gap-y-2 max-[700px]:grid-cols-1">
    <label class="block">
      <span class="text-soft">Name</span>
      <input class="field" maxlength="200" bind:value={form.name} />
    </label>
    <label class="block">
      <span class="text-soft">In the role of</span>
      <select class="field" bind:value={form.role}>
        {#each ROLES as role (role)}<option>{role}</option>{/each}
      </select>
    </label>
    <label class="block">
      <span class="text-soft">Instead of (class)</span>
      <input class="field" list="classes" bind:value={form.replaces} />
    </label>
    <label class="block">
      <span class="text-soft">Take (class; empty: leave it out)</span>
      <input class="field" list="classes" bind:value={form.with} />
    </label>
    <label class="block">
      <span class="text-soft">How much for one of the old</span>
      <input class="field" type="number" min="0.01" step="0.01" bind:value={form.ratio} />
    </label>
    <label class="block">
      <span class="text-soft">How near it comes, in per cent</span>
      <input class="field" type="number" min="0" max="100" bind:value={form.near} />
    </label>
    <label class="col-span-full block">
      <span class="text-soft">What the cook does otherwise</span>
      <textarea class="field min-h-20" maxlength="1000" bind:value={form.method}></textarea>
    </label>
  </div>
  <div class="mt-3" aria-live="polite">
    {#if tried && tried.faults.length > 0}
      {#each tried.faults as fault (fault)}<p class="text-brick">{fault}.</p>{/each}
    {:else if tried}
      <p class="text-soft">On your own pots:</p>
      {#each tried.examples as example (example)}<p>{example}</p>{:else}
        <p>No line of the book is spoken of yet.</p>
      {/each}
    {/if}
  </div>
  {#snippet foot()}
    <Act main disabled={!ready || (tried?.faults.length ?? 1) > 0} onclick={keep}>Record it</Act>
  {/snippet}
</Sheet>
