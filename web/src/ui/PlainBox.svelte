<script lang="ts">
  /**
   * A box of words as it stands before its list is there. The list comes when somebody enters the
   * box: on a phone it would else take as long as a column of the board.
   */
  let {
    id,
    label,
    placeholder,
    class: look,
    words = $bindable(''),
    onenter
  }: {
    id: string;
    label: string;
    placeholder: string;
    class: string;
    /** What is typed before the list is there; the list goes on with it. */
    words?: string;
    onenter: () => void;
  } = $props();
</script>

<input
  {id}
  role="combobox"
  aria-expanded="false"
  aria-controls={`${id}-list`}
  aria-autocomplete="list"
  aria-label={label}
  class={look}
  autocomplete="off"
  {placeholder}
  bind:value={words}
  onfocus={onenter}
/>
<div id={`${id}-list`} hidden></div>
