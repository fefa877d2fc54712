<script lang="ts">
  import { shelfQuery } from '../../../api/queries';
  import Button from '../../../ui/Button.svelte';
  import Disclaimer from '../../../ui/Disclaimer.svelte';
  import ErrorText from '../../../ui/ErrorText.svelte';
  import Field from '../../../ui/Field.svelte';
  import Page from '../../../ui/Page.svelte';
  import Pick from '../../../ui/Pick.svelte';
  import TodayNav from '../TodayNav.svelte';
  import Delivery from './Delivery.svelte';
  import ShelfRow from './ShelfRow.svelte';

  /** What stands there, what should be used first standing first; or counted one after another. */
  const shelf = shelfQuery();
  let words = $state('');
  let place = $state('');
  let counting = $state(false);
  let open = $state<string | null>(null);
  let delivering = $state(false);

  const MODES = [
    { value: false, name: 'Use first' },
    { value: true, name: 'Count' }
  ];
  const shown = $derived(
    (shelf.data?.things ?? []).filter(
      (thing) =>
        (place === '' || thing.place === place) &&
        thing.name.toLocaleLowerCase().includes(words.trim().toLocaleLowerCase())
    )
  );
  const fresh = $derived(shown.filter((thing) => !thing.past));
  const past = $derived(shown.filter((thing) => thing.past));

  /** The next number is counted without the keyboard leaving. */
  function counted(reference: string) {
    const at = shown.findIndex((thing) => thing.reference === reference);
    const next = shown[at + 1];
    if (next) document.getElementById(`count-${next.reference}`)?.focus();
  }
</script>

{#snippet nav()}<TodayNav />{/snippet}
{#snippet aside()}
  <div class="flex flex-wrap items-end gap-3">
    <Field label="Find on the shelf" class="w-52">
      <input class="field" type="search" autocomplete="off" bind:value={words} />
    </Field>
    {#if (shelf.data?.places.length ?? 0) > 0}
      <Field label="Place" class="w-40">
        <select class="field" bind:value={place}>
          <option value="">everywhere</option>
          {#each shelf.data?.places ?? [] as each (each)}<option value={each}>{each}</option>{/each}
        </select>
      </Field>
    {/if}
    <Button onclick={() => (delivering = !delivering)}>A delivery came</Button>
    <Pick label="What for" options={MODES} bind:value={counting} />
  </div>
{/snippet}

{#snippet list(things: typeof shown)}
  <ul>
    {#each things as thing (thing.reference)}
      <ShelfRow
        {thing}
        {counting}
        open={open === thing.reference}
        onopen={() => (open = open === thing.reference ? null : thing.reference)}
        oncounted={() => counted(thing.reference)}
      />
    {/each}
  </ul>
{/snippet}

<Page
  title="The shelf"
  told="Everything made and every delivery that stands there. What should be used first is first."
  {nav}
  {aside}
>
  <ErrorText error={shelf.error} />
  {#if delivering}<Delivery ondone={() => (delivering = false)} />{/if}
  <div data-shelf>
    {@render list(fresh)}
    {#if shelf.data && shown.length === 0}
      <p class="py-3">
        {shelf.data.things.length === 0
          ? 'Nothing was recorded yet: tap “Made it” on a pot, or record a delivery.'
          : 'Nothing on the shelf is called that, or stands there.'}
      </p>
    {/if}
    {#if past.length > 0}
      <h2 class="mt-5 text-lead text-brick">Past its last day: throw it away</h2>
      {@render list(past)}
    {/if}
  </div>
  <div class="pt-4"><Disclaimer /></div>
</Page>
