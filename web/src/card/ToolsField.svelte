<script lang="ts">
  /** Tools by their names, with commas between. */
  let {
    tools,
    label,
    of = '',
    onset
  }: { tools: string[]; label: string; of?: string; onset: (tools: string[]) => void } = $props();

  const named = (text: string) =>
    text
      .split(',')
      .map((name) => name.trim())
      .filter(Boolean);
</script>

<label class="block">
  <span class="text-note text-soft">{label}</span>
  <input
    class="field"
    maxlength="400"
    autocomplete="off"
    aria-label={of ? `Tools ${of}` : undefined}
    value={tools.join(', ')}
    onchange={(event) => onset(named(event.currentTarget.value))}
  />
</label>
