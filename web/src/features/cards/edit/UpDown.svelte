<script lang="ts">
  import ArrowDown from '@lucide/svelte/icons/arrow-down';
  import ArrowUp from '@lucide/svelte/icons/arrow-up';
  import IconButton from '../../../ui/IconButton.svelte';

  /** Moves a line or a step by one, for whoever does not drag. */
  let { label, onmove }: { label: string; onmove: (by: number) => void } = $props();
</script>

<span class="flex">
  <IconButton label="{label} up" onclick={() => onmove(-1)}><ArrowUp size={18} /></IconButton>
  <IconButton label="{label} down" onclick={() => onmove(1)}><ArrowDown size={18} /></IconButton>
</span>
