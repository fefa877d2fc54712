<script lang="ts">
  import type { Schema } from '../../../api/client';

  /** What a batch means today, in sentences: against its card, for the plates, for guests. */
  let { meaning }: { meaning: Schema['MeaningOut'] | null } = $props();

  const listed = (words: string[]) => words.join(', ').toLowerCase();
  const differs = $derived(meaning ? meaning.more.length + meaning.less.length > 0 : false);
</script>

{#if meaning}
  {#if differs}
    <div class="border-l-4 border-clay bg-ground px-3 py-2" data-differs>
      <p class="font-semibold">Today it differs from its card.</p>
      {#if meaning.more.length > 0}<p>Carries besides: {listed(meaning.more)}.</p>{/if}
      {#if meaning.less.length > 0}<p>Carries no more: {listed(meaning.less)}.</p>{/if}
    </div>
  {:else if meaning.compared}
    <p class="text-soft" data-as-card>It carries what its card says.</p>
  {/if}
  {#if meaning.plates.length > 0}
    <p class="pt-2 font-semibold">Plates that read otherwise today</p>
    <ul class="list-disc pl-5" data-plates>
      {#each meaning.plates as plate (plate.plate.id)}
        <li>
          {plate.plate.name}{plate.more.length > 0 ? `: also ${listed(plate.more)}` : ''}{plate.less
            .length > 0
            ? `; no more ${listed(plate.less)}`
            : ''}
        </li>
      {/each}
    </ul>
  {/if}
  {#each meaning.needs as need, index (index)}
    <p class="pt-1 font-semibold text-brick" data-need>
      {need.guest}: ask again about {need.plate.name}
    </p>
  {/each}
{/if}
