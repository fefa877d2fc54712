<script lang="ts">
  import X from '@lucide/svelte/icons/x';
  import { asWords } from '../../../lib/levels';

  /** One or more classes of goods or pots, picked from those that are known. */
  let {
    label,
    classes,
    chosen = $bindable()
  }: { label: string; classes: string[]; chosen: string[] } = $props();

  const id = $props.id();
  let words = $state('');

  function add() {
    const found = words.trim().toLowerCase().replaceAll(' ', '-');
    if (found && !chosen.includes(found)) chosen = [...chosen, found];
    words = '';
  }
</script>

<div>
  <label class="text-soft" for={id}>{label}</label>
  <div class="flex flex-wrap items-center gap-x-3">
    {#each chosen as word (word)}
      <button
        type="button"
        class="flex min-h-11 items-center gap-1.5 border-b-3 border-ladle"
        aria-label="{asWords(word)}: remove it"
        onclick={() => (chosen = chosen.filter((other) => other !== word))}
      >
        {asWords(word)}<X size={16} aria-hidden="true" />
      </button>
    {/each}
    <input
      {id}
      class="field min-w-40 flex-1"
      list="{id}-known"
      autocomplete="off"
      bind:value={words}
      onchange={add}
    />
  </div>
  <datalist id="{id}-known">
    {#each classes as word (word)}<option value={word}></option>{/each}
  </datalist>
</div>
