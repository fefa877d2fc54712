<script lang="ts">
  import { QueryClientProvider } from '@tanstack/svelte-query';
  import { onMount } from 'svelte';
  import { Router } from 'sv-router';
  import { queries } from '../api/queries';
  import Announcer from './Announcer.svelte';
  import StateBanner from './StateBanner.svelte';
  import { keyList } from './keys.svelte';
  import Rail from './Rail.svelte';
  import TopStrip from './TopStrip.svelte';
  import { singleKeys } from './singleKeys.svelte';
  import { heard } from '../api/heard.svelte';

  /** The frame stands first, then the place, then the rest, so that a phone answers in between. */
  let standing = $state(0);
  onMount(() => {
    setTimeout(() => {
      standing = 1;
      setTimeout(() => {
        standing = 2;
        heard.begin();
      });
    });
  });
</script>

<svelte:window onkeydown={(event) => singleKeys.handle(event)} />

<QueryClientProvider client={queries}>
  <a
    href="#place"
    class="absolute -top-20 left-2 z-50 bg-ladle px-4 py-3 text-on-ladle focus:top-2"
  >
    Go to the content
  </a>
  <div
    class="grid h-dvh grid-cols-[92px_minmax(0,1fr)] grid-rows-[56px_auto_minmax(0,1fr)] max-phone:grid-cols-[minmax(0,1fr)] max-phone:grid-rows-[56px_auto_minmax(0,1fr)_56px] max-tiny:grid-rows-[auto_auto_minmax(0,1fr)_auto]"
  >
    <Rail />
    <TopStrip />
    <div class="col-start-2 max-phone:col-start-1">
      {#if standing > 1}<StateBanner />{/if}
    </div>
    <main id="place" tabindex="-1" class="relative min-h-0 min-w-0 overflow-clip outline-none">
      {#if standing > 0}<Router />{/if}
    </main>
  </div>
  {#if keyList.open}
    {#await import('./KeyList.svelte') then { default: KeyList }}<KeyList />{/await}
  {/if}
  <Announcer />
</QueryClientProvider>
