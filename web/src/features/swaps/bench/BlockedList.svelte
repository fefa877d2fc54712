<script lang="ts">
  import type { Schema } from '../../../api/client';
  import { p } from '../../../app/routes';

  type Blocked = Schema['BlockedOut'];

  /** The fewest lines that stand in the way, and what would open each. */
  let { blocked }: { blocked: Blocked[] } = $props();

  const told = $derived.by(() => {
    const lines = new Map<string, { where: string; flags: string[]; entry: Blocked }>();
    for (const entry of blocked) {
      const where =
        entry.from_name === entry.in_name
          ? entry.in_name
          : `${entry.from_name} in ${entry.in_name}`;
      const known = lines.get(where + entry.why);
      if (known) known.flags.push(entry.flag.toLowerCase());
      else lines.set(where + entry.why, { where, flags: [entry.flag.toLowerCase()], entry });
    }
    return [...lines.values()];
  });
</script>

{#if told.length > 0}
  <h3 class="mt-4 text-lead">What stands in the way</h3>
  <p class="text-soft">
    {told.length === 1
      ? 'No combination of swaps gets round this.'
      : `No combination of swaps gets round these ${told.length} together.`}
  </p>
  <ul class="mt-1 mb-4">
    {#each told as { where, flags, entry } (where + entry.why)}
      <li class="border-b border-rule py-2">
        <b class="font-strong">{where}</b> ({flags.join(', ')}): {entry.why}.
        <span class="block text-soft">
          {#if entry.buy.length > 0}Buy one of: {entry.buy.join(', ')}.
          {/if}
          {#each entry.check as item (item.id)}
            Check
            <a
              class="underline underline-offset-4"
              href={p('/larder/:id', { params: { id: item.id } })}>{item.name}</a
            >.
          {/each}
          {#if entry.leave_out}Or leave the line out, if the plate can do without it.{/if}
        </span>
      </li>
    {/each}
  </ul>
{/if}
