<script lang="ts">
  import CodeBox from './CodeBox.svelte';
  import Field from '../../../ui/Field.svelte';
  import Plus from '@lucide/svelte/icons/plus';
  import { Toggle } from 'bits-ui';
  import { untrack } from 'svelte';
  import type { Schema } from '../../../api/client';
  import { asWords } from '../../../lib/levels';
  import PotMark from '../../../ui/marks/PotMark.svelte';
  import Check from '../../../ui/Check.svelte';
  import Button from '../../../ui/Button.svelte';
  import { p } from '../../../app/routes';

  let {
    jars,
    chosen,
    onlyUnchecked
  }: { jars: Schema['JarOut'][]; chosen: string | null; onlyUnchecked: boolean } = $props();

  let words = $state('');
  let unread = $state(untrack(() => onlyUnchecked));
  const shown = $derived(
    jars.filter(
      (jar) =>
        (!jar.retired || away || jar.id === chosen) &&
        (!unread || jar.unchecked > 0) &&
        jar.name.toLowerCase().includes(words.toLowerCase())
    )
  );

  /** Whether those that were put away are shown too. */
  let away = $state(false);
  const retired = $derived(jars.filter((jar) => jar.retired).length);

  let list = $state<HTMLElement>();

  $effect(() => {
    if (onlyUnchecked) unread = true;
  });

  $effect(() => {
    if (chosen && jars.length > 0)
      list?.querySelector('[aria-current]')?.scrollIntoView({ block: 'nearest' });
  });

  function whatItIs(jar: Schema['JarOut']): string {
    if (!jar.class_name) return 'what is it?';
    return (jar.class_proposed ? 'taken as ' : '') + asWords(jar.class_name);
  }
</script>

<section class="flex min-h-0 flex-col border-r border-rule" aria-labelledby="larder">
  <div class="border-b border-rule px-5 pt-3.5 pb-3">
    <div class="flex items-center justify-between gap-3">
      <h1 id="larder" class="text-title">Larder</h1>
      <Button href={p('/larder/:id', { params: { id: 'new' } })}>
        <Plus size={18} aria-hidden="true" />New product
      </Button>
    </div>
    <div class="mt-2 flex items-end gap-3">
      <Field label="Part of its name" class="min-w-0 flex-1">
        <input class="field" bind:value={words} />
      </Field>
      <Toggle.Root
        bind:pressed={unread}
        class="min-h-11 border-b-3 border-edge px-2 data-[state=on]:border-ladle data-[state=on]:bg-ladle-pale"
      >
        not checked only
      </Toggle.Root>
    </div>
    <CodeBox />
  </div>
  <ul bind:this={list} class="min-h-0 flex-1 overflow-y-auto px-5 pb-4">
    {#each shown as jar (jar.id)}
      <li class="border-b border-rule">
        <a
          href={p('/larder/:id', { params: { id: jar.id } })}
          aria-current={jar.id === chosen ? 'true' : undefined}
          class={[
            '-mx-2 flex min-h-11 items-start gap-2 px-2 py-2 leading-tight',
            jar.id === chosen ? 'bg-ladle text-on-ladle' : 'hover:bg-ladle-pale'
          ]}
        >
          <span class="min-w-0 flex-1">
            <span class="font-amount">{jar.name}</span>
            <span class={['block text-base', jar.id !== chosen && 'text-soft']}>
              {whatItIs(jar)} · in {jar.used_in}
              {jar.used_in === 1 ? 'pot' : 'pots'}{jar.makers > 0
                ? ` · ${jar.makers} makers`
                : ''}{jar.is_bag ? ' · running bag' : ''}{jar.second_look
                ? ' · second look'
                : ''}{jar.retired ? ' · put away' : ''}
            </span>
          </span>
          {#if jar.unchecked > 0}
            <span
              class={[
                'flex items-center gap-1 text-base whitespace-nowrap',
                jar.id === chosen ? '[--clay:#20242c]' : 'text-clay'
              ]}
            >
              <PotMark level="unchecked" decorative />{jar.unchecked} not checked
            </span>
          {/if}
        </a>
      </li>
    {:else}
      <li class="py-4 text-soft">
        {jars.length === 0
          ? 'Nothing is recorded yet. Begin with the jar that goes into the most pots.'
          : 'No product is like that.'}
      </li>
    {/each}
    {#if retired > 0}
      <li class="py-2">
        <Check bind:checked={away}>Those put away too ({retired})</Check>
      </li>
    {/if}
  </ul>
</section>
