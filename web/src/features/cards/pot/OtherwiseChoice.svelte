<script lang="ts">
  import type { Level } from '../../../api/client';

  /** What holds for every flag that is not stated; null follows the rule that is told. */
  let {
    value,
    rule,
    onset
  }: { value: Level | null; rule: string; onset: (level: Level | null) => void } = $props();

  const options: [Level | null, string][] = $derived([
    [null, `As a rule: ${rule}`],
    ['free', 'Free: everything that is in it is stated'],
    ['unchecked', 'Not checked']
  ]);
</script>

<fieldset class="mb-3">
  <legend class="font-semibold">All the rest</legend>
  <div class="flex flex-wrap gap-x-6">
    {#each options as [level, text] (text)}
      <label class="flex min-h-11 items-center gap-2">
        <input
          type="radio"
          class="size-5"
          name="otherwise"
          checked={value === level}
          onchange={() => onset(level)}
        />
        {text}
      </label>
    {/each}
  </div>
</fieldset>
