<script lang="ts">
  import Check from '@lucide/svelte/icons/check';
  import { asWords, LEVELS, levelWord } from '../../../lib/levels';
  import PotMark from '../../../ui/marks/PotMark.svelte';
  import Tick from '../../../ui/Check.svelte';
  import Button from '../../../ui/Button.svelte';
  import type { LabelDraft } from './labelDraft.svelte';
  import type { LabelReading } from './labelReading.svelte';

  /** What the words propose, flag by flag. Nothing counts until somebody takes it. */
  let { reading, label }: { reading: LabelReading; label: LabelDraft } = $props();

  const read = $derived(reading.read);
</script>

{#if read}
  <table class="listed mt-2 w-full text-left">
    <caption class="sr-only">What the words propose</caption>
    <thead class="sr-only">
      <tr>
        <th scope="col">Flag</th><th scope="col">Proposed</th><th scope="col">Because of</th>
        <th scope="col">Take it</th>
      </tr>
    </thead>
    <tbody>
      {#each reading.named as proposal (proposal.flag)}
        {@const level = reading.levels[proposal.flag] ?? proposal.level}
        {@const done = reading.taken.includes(proposal.flag)}
        <tr class="border-b border-rule align-top" data-proposal={proposal.flag}>
          <th scope="row" class="w-36 py-2 pr-2 font-amount">{asWords(proposal.flag)}</th>
          <td class="w-52 py-1 pr-3">
            <span class="flex items-center gap-2">
              <PotMark {level} decorative />
              <select
                class="field"
                aria-label="Level of {asWords(proposal.flag)}"
                bind:value={() => level, (corrected) => reading.correct(proposal.flag, corrected)}
              >
                {#each LEVELS as known (known)}<option value={known}>{levelWord(known)}</option
                  >{/each}
              </select>
            </span>
          </td>
          <td class="py-2 pr-3 leading-snug">
            {#each proposal.because.slice(0, 2) as why, index (index)}
              <p><q>{why.text}</q> <span class="text-soft">{why.why}</span></p>
            {/each}
            {#if proposal.traces.length > 0}
              <p class="text-clay" data-trace>Once the maker has answered, may contain is left.</p>
            {/if}
          </td>
          <td class="w-28 py-1 text-right">
            {#if done}
              <span class="inline-flex min-h-11 items-center gap-1 text-moss">
                <Check size={18} aria-hidden="true" />taken
              </span>
            {:else}
              <Button disabled={!reading.mayTake} onclick={() => reading.take(label, proposal)}
                >Take</Button
              >
            {/if}
          </td>
        </tr>
      {:else}
        <tr><td class="py-2 text-soft">The label names no flag.</td></tr>
      {/each}
    </tbody>
  </table>
  {#if reading.unnamed.length > 0}
    <div class="mt-1" data-own-flags>
      <Tick bind:checked={reading.lookedForOwn}
        >I looked for {reading.unnamed.map((each) => asWords(each.flag)).join(', ')} myself: none is in
        it</Tick
      >
      <p class="text-soft">
        Flags of the kitchen's own are not read. Without this they stay not checked.
      </p>
    </div>
  {/if}
  {#if read.claims.length > 0}
    <p class="mt-2 text-soft">
      The label claims: {[...new Set(read.claims.map((claim) => claim.because.text))].join(', ')}. A
      claim is the maker's word; it lowers nothing that the list contains.
    </p>
  {/if}
  {#if read.questions.length > 0}
    <h3 class="mt-2 text-lead">Ask the maker</h3>
    <ul class="list-disc pl-5 text-clay">
      {#each read.questions as question (question)}<li>{question}</li>{/each}
    </ul>
  {/if}
  {#if read.unknown.length > 0}
    <h3 class="mt-2 text-lead">Not known here</h3>
    <p class="text-clay" data-unknown>
      {[...new Set(read.unknown.map((word) => word.text))].join(', ')}. Look at each and state what
      it brings.
    </p>
  {/if}
  <div class="mt-2 flex flex-wrap items-center gap-4">
    {#if read.complete}
      <Button disabled={!reading.mayTake} onclick={() => reading.takeAll(label)}
        >I read the whole label: take the lot</Button
      >
      <p class="text-soft">All that the label does not name then counts as free.</p>
    {:else}
      <Button disabled={!reading.mayTake} onclick={() => reading.takeAll(label)}
        >Take all that was read</Button
      >
      <p class="text-soft">
        {read.unknown.length > 0 ? 'Some words are not known' : 'There are questions left'}: the
        rest stays not checked.
      </p>
    {/if}
  </div>
{/if}
