<script lang="ts">
  import { answer, api, type Schema } from '../../../api/client';
  import { Write } from '../../../api/write.svelte';
  import { asWords, levelWord } from '../../../lib/levels';
  import PotMark from '../../../ui/marks/PotMark.svelte';
  import Button from '../../../ui/Button.svelte';
  import Disclaimer from '../../../ui/Disclaimer.svelte';
  import ErrorText from '../../../ui/ErrorText.svelte';
  import ImpactView from '../../../ui/impact/ImpactView.svelte';
  import { p } from '../../../app/routes';

  /** The maker changed the label: what it says now, and what accepting that would change. */
  let { notice }: { notice: Schema['NoticeOut'] } = $props();

  const deciding = new Write(
    (decision: 'accept' | 'keep_apart') => {
      const params = { path: { id: notice.id } };
      const { version: seen } = notice;
      const body = { decision, seen, why: '' };
      return answer(api.POST('/api/v1/notices/{id}/decide', { params, body }));
    },
    { says: (done) => `Recorded. ${done.sentence}` }
  );
</script>

<article class="border-b border-rule py-4" data-notice={notice.product.id}>
  <h2 class="text-name">
    <a class="hover:underline" href={p('/larder/:id', { params: { id: notice.product.id } })}>
      {notice.product.name}
    </a>
  </h2>
  <p class="text-soft">
    {notice.supplier}, sheet of {notice.issued}{notice.maker ? `, label of ${notice.maker}` : ''}
  </p>
  <ul class="mt-2">
    {#each notice.differences as change (change.flag)}
      <li class="flex min-h-8 items-center gap-2">
        <PotMark level={change.recorded} decorative />
        <span aria-hidden="true">→</span>
        <PotMark level={change.sheet} decorative />
        <span>
          {asWords(change.flag)}: {levelWord(change.recorded)} here, {levelWord(change.sheet)} on the
          sheet
        </span>
      </li>
    {/each}
  </ul>
  {#each notice.unknown as code (code)}
    <p class="text-clay">
      The sheet holds a code that is not known here: {code}. Ask the supplier.
    </p>
  {/each}
  {#if notice.ingredients}<p class="mt-1 border-l-4 border-rule pl-3">{notice.ingredients}</p>{/if}
  <div class="mt-2"><ImpactView impact={notice.impact} /></div>
  <ErrorText error={deciding.error} />
  <div class="mt-2 flex flex-wrap items-center gap-3">
    <Button disabled={deciding.busy} onclick={() => deciding.send('accept')}>
      Accept the new label
    </Button>
    <Button disabled={deciding.busy} onclick={() => deciding.send('keep_apart')}>
      Keep both apart
    </Button>
    <p class="max-w-sm text-soft">
      Kept apart, the product carries the highest of both while old packs are in the house.
    </p>
  </div>
  <div class="mt-2"><Disclaimer /></div>
</article>
