<script lang="ts">
  import { uncheckedQuery } from '../../../api/queries';
  import LarderPage from '../../../ui/larder/LarderPage.svelte';
  import Button from '../../../ui/Button.svelte';
  import Disclaimer from '../../../ui/Disclaimer.svelte';
  import ErrorText from '../../../ui/ErrorText.svelte';
  import { p } from '../../../app/routes';
  import ClassQuestions from './ClassQuestions.svelte';
  import Contradictions from './Contradictions.svelte';
  import HeldRow from './HeldRow.svelte';
  import Needs from '../../../ui/Needs.svelte';

  const unchecked = uncheckedQuery();
  const list = $derived(unchecked.data);
</script>

<LarderPage
  title="Not checked"
  told="Every pot with its lid on. First what a guest waits for, then what holds back the most plates."
>
  <ErrorText error={unchecked.error} />
  {#if list}
    <div class="grid grid-cols-[minmax(0,1fr)_340px] gap-8 max-desk:grid-cols-1">
      <div>
        {#if list.held.length > 0}
          <div class="flex flex-wrap gap-3 py-3">
            <Button main href={p('/next-jar')}>Go through them, jar by jar</Button>
            <Button href={p('/questions')}>Ask the makers</Button>
          </div>
        {/if}
        <ol>
          {#each list.held as entry (entry.item + entry.maker)}
            <HeldRow {entry} />
          {:else}
            <li class="py-6">
              Nothing is left unchecked. Whatever comes in new stands here until somebody reads it.
            </li>
          {/each}
        </ol>
        <div class="mt-3"><Disclaimer /></div>
      </div>
      <aside class="grid content-start gap-6 pt-3">
        {#if list.contradictions.length > 0}
          <Contradictions found={list.contradictions} />
        {/if}
        {#if list.class_questions.length > 0}
          <ClassQuestions asked={list.class_questions} />
        {/if}
        <Needs needs={list.needs} />
        <section aria-labelledby="stale">
          <h2 id="stale" class="text-lead">Signed off, then changed</h2>
          {#each list.stale_sign_offs as stale (stale.pot.id)}
            <p class="border-b border-rule py-2">
              <a
                class="font-amount underline"
                href={p('/pots/:id', { params: { id: stale.pot.id } })}>{stale.pot.name}</a
              >
              <span class="block text-soft">checked by {stale.person} on {stale.date}</span>
              <span class="block text-clay">{stale.stale_since}: {stale.stale_by}</span>
            </p>
          {:else}
            <p class="text-soft">Every sign-off still holds.</p>
          {/each}
        </section>
        <section aria-labelledby="second">
          <h2 id="second" class="text-lead">Read over {list.second_look_days} days ago</h2>
          <p class="text-soft">What is recorded still counts: read the label again.</p>
          <ul>
            {#each list.second_looks as look (look.product.id + look.maker)}
              <li class="border-b border-rule py-1.5">
                <a class="underline" href={p('/larder/:id', { params: { id: look.product.id } })}
                  >{look.product.name}</a
                >{look.maker ? `, ${look.maker}` : ''}
                <span class="block text-soft">
                  {look.days === null
                    ? 'nobody wrote down when'
                    : `${look.days} days ago${look.person ? ` by ${look.person}` : ''}`}
                </span>
              </li>
            {/each}
          </ul>
        </section>
        {#if list.run_out.length > 0}
          <section aria-labelledby="run-out">
            <h2 id="run-out" class="text-lead">Expired certificates</h2>
            {#each list.run_out as gone (gone.product.id + gone.kind)}
              <p class="border-b border-rule py-1.5 text-clay">
                {gone.product.name}: {gone.kind}
                {gone.number}, until {gone.expires}. It no longer counts.
              </p>
            {/each}
          </section>
        {/if}
      </aside>
    </div>
  {/if}
</LarderPage>
