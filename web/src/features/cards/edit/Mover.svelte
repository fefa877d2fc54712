<script lang="ts">
  import GripVertical from '@lucide/svelte/icons/grip-vertical';
  import type { Dragging } from './dragging';

  /** The handle by which a line or step is moved: by dragging it, or with the arrow keys. */
  let {
    label,
    onmove,
    dragging
  }: { label: string; onmove: (by: number) => void; dragging: Dragging } = $props();

  function key(event: KeyboardEvent) {
    if (event.key !== 'ArrowUp' && event.key !== 'ArrowDown') return;
    event.preventDefault();
    onmove(event.key === 'ArrowUp' ? -1 : 1);
  }
</script>

<button
  type="button"
  class="grid h-11 w-8 cursor-grab touch-none place-items-center text-soft hover:bg-ladle-pale"
  aria-label="{label}: move it with the arrow keys"
  data-mover
  onkeydown={key}
  onpointerdown={dragging.begin}
  onpointermove={dragging.track}
  onpointerup={dragging.drop}
  onpointercancel={dragging.drop}
>
  <GripVertical size={18} aria-hidden="true" />
</button>
