<script lang="ts">
  import { kitchenQuery } from '../../../api/queries';
  import type { LabelDraft } from './labelDraft.svelte';

  let { label, runOut }: { label: LabelDraft; runOut: string[] } = $props();

  const kitchen = kitchenQuery();
  const NAMES: Record<string, string> = { gluten_free: 'gluten-free, under 20 mg/kg' };
</script>

<h2 class="mt-5 text-lead">Certificates</h2>
<p class="text-soft">
  Halal and kosher count in those diets until their last day; the others are kept beside the product
  and change no flag.
</p>
<ul class="mt-1">
  {#each kitchen.data?.certificates ?? [] as kind (kind)}
    {@const held = label.certificates.includes(kind)}
    <li class="flex min-h-12 flex-wrap items-center gap-4 border-b border-rule py-1">
      <label class="flex min-h-11 w-60 items-center gap-2">
        <input
          type="checkbox"
          class="size-5"
          checked={held}
          onchange={(event) => label.certify(kind, event.currentTarget.checked)}
        />
        {NAMES[kind] ?? kind}
      </label>
      {#if held}
        <label class="flex items-center gap-2">
          <span class="text-soft">Number</span>
          <input
            class="field w-36"
            autocomplete="off"
            aria-label="Number of the {kind} certificate"
            value={label.papers[kind]?.number ?? ''}
            oninput={(event) =>
              label.paper(kind, {
                number: event.currentTarget.value,
                expires: label.papers[kind]?.expires ?? null
              })}
          />
        </label>
        <label class="flex items-center gap-2">
          <span class="text-soft">Last day</span>
          <input
            class="field w-44"
            type="date"
            aria-label="Last day of the {kind} certificate"
            value={label.papers[kind]?.expires ?? ''}
            onchange={(event) =>
              label.paper(kind, {
                number: label.papers[kind]?.number ?? '',
                expires: event.currentTarget.value || null
              })}
          />
        </label>
        {#if runOut.includes(kind)}
          <span class="font-semibold text-clay">has expired and no longer counts</span>
        {/if}
      {/if}
    </li>
  {/each}
</ul>
