<script lang="ts">
  import type { Level } from '../../../api/client';
  import PotMark from '../../../ui/marks/PotMark.svelte';

  /** What holds for every flag that is not stated below. */
  let { otherwise = $bindable() }: { otherwise: Level } = $props();

  const OPTIONS: [Level, string][] = [
    ['unchecked', 'Not checked: nobody has read the whole label'],
    ['free', 'Free: somebody read the whole label, and it names nothing else']
  ];
</script>

<fieldset class="mt-3">
  <legend class="font-semibold">Everything that is not stated below</legend>
  <div class="flex flex-wrap gap-x-6">
    {#each OPTIONS as [level, text] (level)}
      <label class="flex min-h-11 items-center gap-2">
        <input type="radio" class="size-5" name="otherwise" value={level} bind:group={otherwise} />
        <PotMark {level} decorative />
        {text}
      </label>
    {/each}
  </div>
</fieldset>
