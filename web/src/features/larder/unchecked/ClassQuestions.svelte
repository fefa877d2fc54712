<script lang="ts">
  import { answer, api, type Schema } from '../../../api/client';
  import { kitchenQuery } from '../../../api/queries';
  import { Write } from '../../../api/write.svelte';
  import { p } from '../../../app/routes';
  import Button from '../../../ui/Button.svelte';
  import ErrorText from '../../../ui/ErrorText.svelte';
  import { asWords } from '../../../lib/levels';

  /** Goods of which nobody knows what they are: no swap is proposed for them until somebody says. */
  let { asked }: { asked: Schema['ClassQuestionOut'][] } = $props();

  const kitchen = kitchenQuery();
  const saying = new Write(
    ({ entry, said }: { entry: Schema['ClassQuestionOut']; said: string }) => {
      const change = { change: 'class' as const, item: entry.product.id, class: said };
      const body = { change, seen: entry.version, why: '' };
      return answer(api.POST('/api/v1/changes', { body }));
    },
    { says: (_, { entry, said }) => `${entry.product.name} is taken as ${asWords(said)}.` }
  );
</script>

<section aria-labelledby="class-questions" data-class-questions>
  <h2 id="class-questions" class="text-lead">What is it?</h2>
  <p class="text-soft">No swap is proposed for these until somebody has said.</p>
  <ErrorText error={saying.error} />
  <ul>
    {#each asked as entry (entry.product.id)}
      <li class="border-b border-rule py-1.5">
        <a
          class="font-amount underline"
          href={p('/larder/:id', { params: { id: entry.product.id } })}>{entry.product.name}</a
        >
        <div class="mt-1 flex flex-wrap items-center gap-2">
          {#each entry.likely as known (known)}
            <Button disabled={saying.busy} onclick={() => saying.send({ entry, said: known })}
              >{asWords(known)}</Button
            >
          {/each}
          <select
            class="field max-w-[14rem]"
            aria-label="What {entry.product.name} is"
            disabled={saying.busy}
            onchange={(event) => {
              const said = event.currentTarget.value;
              if (said) void saying.send({ entry, said });
            }}
          >
            <option value=""
              >{entry.likely.length > 0 ? 'or something else' : 'say what it is'}</option
            >
            {#each kitchen.data?.classes ?? [] as known (known)}
              <option value={known}>{asWords(known)}</option>
            {/each}
          </select>
        </div>
      </li>
    {/each}
  </ul>
</section>
