<script lang="ts">
  import GripVertical from '@lucide/svelte/icons/grip-vertical';

  /** The handle by which a line or step is moved: by dragging it, or with the arrow keys. */
  let {
    label,
    onmove,
    ondrag
  }: { label: string; onmove: (by: number) => void; ondrag: (dragging: boolean) => void } =
    $props();

  function key(event: KeyboardEvent) {
    if (event.key !== 'ArrowUp' && event.key !== 'ArrowDown') return;
    event.preventDefault();
    onmove(event.key === 'ArrowUp' ? -1 : 1);
  }
</script>

<button
  type="button"
  class="grid h-11 w-8 cursor-grab place-items-center text-soft hover:bg-ladle-pale"
  aria-label="{label}: move it with the arrow keys"
  data-mover
  draggable="true"
  onkeydown={key}
  ondragstart={(event) => {
    event.dataTransfer?.setData('text/plain', label);
    ondrag(true);
  }}
  ondragend={() => ondrag(false)}
>
  <GripVertical size={18} aria-hidden="true" />
</button>
