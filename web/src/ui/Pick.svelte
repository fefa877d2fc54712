<script lang="ts" generics="T">
  /** One of a few, side by side: the one in force is underlined in ladle yellow. */
  let {
    label,
    options,
    value = $bindable(),
    class: place = ''
  }: {
    label: string;
    options: readonly { value: T; name: string }[];
    value: T;
    class?: string;
  } = $props();
</script>

<div class={['flex', place]} role="group" aria-label={label}>
  {#each options as option (option.name)}
    <button
      type="button"
      aria-pressed={value === option.value}
      class={[
        'min-h-11 border-b-3 px-3',
        value === option.value ? 'border-ladle font-strong' : 'border-transparent text-soft'
      ]}
      onclick={() => (value = option.value)}>{option.name}</button
    >
  {/each}
</div>
