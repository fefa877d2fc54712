<script lang="ts">
  import type { Schema } from '../../../api/client';
  import { announcements } from '../../../api/announce.svelte';
  import Button from '../../../ui/Button.svelte';
  import AnswerForm from './AnswerForm.svelte';

  /** What one maker is asked: to copy, to print, and to be answered good by good. */
  let {
    list,
    hidden,
    onprint
  }: { list: Schema['SupplierQuestionsOut']; hidden: boolean; onprint: () => void } = $props();

  let copied = $state(false);

  async function copy() {
    try {
      await navigator.clipboard.writeText(list.letter);
      copied = true;
      announcements.say('Copied.');
    } catch {
      // Only a page that nobody can listen to may write to the clipboard; the text can be marked.
      copied = false;
    }
  }
</script>

<section
  class={['border-b border-rule py-4', hidden && 'print:hidden']}
  aria-label={list.supplier}
  data-supplier={list.supplier}
>
  <div class="flex flex-wrap items-center gap-3 print:hidden">
    <h2 class="mr-auto text-head">{list.supplier}</h2>
    <Button onclick={copy}>{copied ? 'Copied' : 'Copy the questions'}</Button>
    <Button onclick={onprint}>Print</Button>
  </div>
  <details class="print:hidden">
    <summary class="min-h-11 cursor-pointer py-2 text-soft">The text as it is sent</summary>
    <pre class="font-sans whitespace-pre-wrap" data-letter>{list.letter}</pre>
  </details>
  <pre class="hidden font-sans whitespace-pre-wrap print:block">{list.letter}</pre>
  <ul class="print:hidden">
    {#each list.questions as question (question.product.id + question.maker)}
      <li class="border-t border-rule py-2"><AnswerForm {question} /></li>
    {/each}
  </ul>
</section>
