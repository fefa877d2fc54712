<script lang="ts">
  import Plus from '@lucide/svelte/icons/plus';
  import Button from '../../../ui/Button.svelte';
  import Field from '../../../ui/Field.svelte';
  import ClassBox from './ClassBox.svelte';
  import { type Piece, type Words } from './ruleForm.svelte';

  /** What has to come with the new item, such as oil to a starch or xanthan to a flour. */
  let { rule = $bindable(), words }: { rule: Piece; words: Words } = $props();

  const adds = $derived(rule.adds ?? []);

  function more() {
    rule.adds = [...adds, { with: [], ratio: 0.1, role: words.roles[0] ?? 'body' }];
  }
</script>

{#each adds as line, at (at)}
  <fieldset class="mt-2 grid grid-cols-[1fr_10rem_10rem_auto] items-end gap-x-4 gap-y-2">
    <legend class="sr-only">What comes with it, {at + 1}</legend>
    <ClassBox label="It needs besides" classes={words.classes} bind:chosen={line.with} />
    <Field label="So much for one of the new">
      <input class="field amount" type="number" min="0.001" step="any" bind:value={line.ratio} />
    </Field>
    <Field label="As its">
      <select class="field" bind:value={line.role}>
        {#each words.roles as role (role)}<option value={role}>{role}</option>{/each}
      </select>
    </Field>
    <Button onclick={() => (rule.adds = adds.filter((other) => other !== line))}>Take away</Button>
  </fieldset>
{/each}
<div class="mt-2">
  <Button onclick={more}><Plus size={16} aria-hidden="true" /> Something has to come with it</Button
  >
</div>
