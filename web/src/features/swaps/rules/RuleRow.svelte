<script lang="ts">
  import type { Schema } from '../../../api/client';
  import { asWords } from '../../../lib/levels';

  /** One rule: what for what, how near it comes, and whether it is used here. */
  let {
    rule,
    onturn,
    onchange,
    ondrop
  }: {
    rule: Schema['RuleOut'];
    onturn: (off: boolean) => void;
    onchange: () => void;
    ondrop: () => void;
  } = $props();
  const share = (value: number) => `${Math.round(value * 100)} %`;
</script>

<li class="flex items-start gap-4 border-b border-rule py-2 max-phone:flex-wrap max-phone:gap-y-0">
  <label class="flex min-h-11 w-28 flex-none items-center gap-2 max-phone:w-auto">
    <input
      type="checkbox"
      class="size-5 accent-enamel"
      checked={!rule.off}
      aria-label="Use the rule {rule.name}"
      onchange={(event) => onturn(!event.currentTarget.checked)}
    />
    {rule.off ? 'not used' : 'used'}
  </label>
  <div class="min-w-0 flex-1">
    <p class="font-strong">{rule.name}</p>
    <p class="text-soft">
      {rule.replaces.map(asWords).join(', ')} →
      {rule.with_.length > 0 ? rule.with_.map(asWords).join(', ') : 'left out'}
    </p>
    {#if rule.caution}<p class="text-clay">{rule.caution}</p>{/if}
    {#each rule.notes as note (note.text + note.date)}<p>“{note.text}”, {note.date}</p>{/each}
    {#if rule.own}
      <p class="flex gap-4">
        <button
          type="button"
          class="min-h-11 underline underline-offset-4"
          aria-label="Change the rule {rule.name}"
          onclick={onchange}>Change the rule</button
        >
        <button
          type="button"
          class="min-h-11 underline underline-offset-4"
          aria-label="Delete the rule {rule.name}"
          onclick={ondrop}>Delete the rule</button
        >
      </p>
    {/if}
  </div>
  <p class="w-80 flex-none text-base text-soft max-phone:w-full max-phone:pl-7">
    flavour {share(rule.fidelity.flavour)} · texture {share(rule.fidelity.texture)} · colour
    {share(rule.fidelity.colour)}
    <span class="block">{rule.tasted ? 'as tasted here' : rule.source}</span>
  </p>
</li>
