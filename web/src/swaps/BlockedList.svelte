<script lang="ts">
  import type { Schema } from '../api/client';

  let { blocked }: { blocked: Schema['BlockedOut'][] } = $props();

  const told = $derived.by(() => {
    const lines = new Map<string, { where: string; flags: string[]; why: string }>();
    for (const entry of blocked) {
      const where = `${entry.from_name} in ${entry.in_name}`;
      const key = where + entry.why;
      const known = lines.get(key);
      if (known) known.flags.push(entry.flag.toLowerCase());
      else lines.set(key, { where, flags: [entry.flag.toLowerCase()], why: entry.why });
    }
    return [...lines.values()];
  });
</script>

{#if told.length > 0}
  <h3 class="mt-4 text-[18px]">What stands in the way</h3>
  <ul class="mt-1 mb-4">
    {#each told as entry (entry.where + entry.why)}
      <li class="border-b border-rule py-2">
        <b class="font-[650]">{entry.where}</b> ({entry.flags.join(', ')}): {entry.why}.
      </li>
    {/each}
  </ul>
{/if}
