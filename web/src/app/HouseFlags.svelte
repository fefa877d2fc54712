<script lang="ts">
  import { answer, api, type Schema } from '../api/client';
  import { Write } from '../api/write.svelte';
  import Button from '../ui/Button.svelte';
  import ErrorText from '../ui/ErrorText.svelte';

  /** Flags of the kitchen's own. A new one makes every "free" unchecked, which is said before. */
  let { flags }: { flags: Schema['Flag'][] } = $props();

  const own = $derived(flags.filter((flag) => flag.group === 'house'));
  let name = $state('');
  let reach = $state.raw<Schema['ReachOut'] | null>(null);

  const adding = new Write(
    (name: string) => answer(api.POST('/api/v1/kitchen/flags', { body: { name } })),
    { says: (flag) => `${flag.name} is a flag from now on.` }
  );
  const naming = new Write(({ id, name }: { id: string; name: string }) =>
    answer(
      api.PUT('/api/v1/kitchen/flags/{id}', {
        params: { path: { id } },
        body: { name }
      })
    )
  );
  const dropping = new Write(
    (id: string) =>
      answer(
        api.DELETE('/api/v1/kitchen/flags/{id}', {
          params: { path: { id } }
        })
      ),
    { says: () => 'The flag was dropped.' }
  );
  const error = $derived(adding.error ?? naming.error ?? dropping.error);

  async function ask() {
    reach = await answer(api.GET('/api/v1/kitchen/flags/reach'));
  }

  async function add() {
    if (await adding.send(name.trim())) {
      name = '';
      reach = null;
    }
  }

  const many = (count: number, one: string, more: string) => `${count} ${count === 1 ? one : more}`;
</script>

<fieldset data-house-flags>
  <legend class="text-soft">Flags of the kitchen's own</legend>
  {#each own as flag (flag.id)}
    <div class="mt-2 grid grid-cols-[minmax(0,1fr)_auto] gap-2">
      <input
        class="field"
        maxlength="80"
        aria-label="Name of the flag {flag.name}"
        value={flag.name}
        onchange={(event) => naming.send({ id: flag.id, name: event.currentTarget.value })}
      />
      <Button onclick={() => dropping.send(flag.id)}>
        Drop<span class="sr-only"> {flag.name}</span>
      </Button>
    </div>
  {/each}
  <div class="mt-2 grid grid-cols-[minmax(0,1fr)_auto] gap-2">
    <input
      class="field"
      maxlength="80"
      aria-label="A new flag"
      placeholder="chilli, raw egg, nut board …"
      bind:value={name}
      onfocus={ask}
      onkeydown={(event) => {
        if (event.key === 'Enter' && name.trim()) void add();
      }}
    />
    <Button disabled={name.trim() === '' || adding.busy} onclick={add}>Add</Button>
  </div>
  {#if reach && name.trim() !== ''}
    <p class="mt-1 text-clay" data-reach>
      Nobody has looked for it yet: {many(reach.goods, 'good', 'goods')}{reach.pots > 0
        ? ` and ${many(reach.pots, 'pot', 'pots')} without a card`
        : ''} will be not checked for it.
    </p>
  {/if}
  <ErrorText {error} />
</fieldset>
