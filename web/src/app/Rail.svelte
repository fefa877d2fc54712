<script lang="ts">
  import { selection } from '../lib/selection.svelte';
  import { keyList } from './keys.svelte';
  import { p, route } from './routes';

  const POT = ['/pots', '/thickening', '/recipes'];
  const LARDER = [
    '/larder',
    '/next-jar',
    '/unchecked',
    '/questions',
    '/bags',
    '/supplier',
    '/intake',
    '/history'
  ];

  const SWAPS = ['/applied', '/rules'];
  const TODAY = ['/today', '/shelf', '/tools', '/batches', '/trace'];
  const GUESTS = ['/guests', '/can-have', '/menu'];

  const on = (paths: string[]) => paths.some((path) => route.pathname.startsWith(path));

  const swapping = $derived(
    route.pathname.endsWith('/swaps') || SWAPS.some((path) => route.pathname.startsWith(path))
  );
  const places = $derived([
    { key: '1', name: 'Family', href: p('/'), here: route.pathname === '/' || on(['/grid']) },
    {
      key: '2',
      name: 'Cards',
      href: selection.pot === null ? p('/pots') : p('/pots/:id', { params: { id: selection.pot } }),
      here: !swapping && POT.some((path) => route.pathname.startsWith(path))
    },
    {
      key: '3',
      name: 'Larder',
      href: p('/larder'),
      here: LARDER.some((path) => route.pathname.startsWith(path))
    },
    {
      key: '4',
      name: 'Swaps',
      href:
        selection.pot === null
          ? p('/rules')
          : p('/pots/:id/swaps', { params: { id: selection.pot } }),
      here: swapping
    },
    { key: '5', name: 'Today', href: p('/today'), here: on(TODAY) },
    { key: '6', name: 'Guests', href: p('/guests'), here: on(GUESTS) }
  ]);
</script>

<nav
  aria-label="Places"
  class="row-span-3 flex flex-col bg-rail pt-2 text-white max-phone:order-last max-phone:row-span-1 max-phone:flex-row max-phone:pt-0 max-tiny:flex-wrap"
>
  <svg
    width="46"
    height="56"
    viewBox="0 0 46 46"
    class="mx-auto mb-1 max-phone:hidden"
    aria-hidden="true"
  >
    <path
      d="M33 4c-2 12-6 18-9 22"
      fill="none"
      stroke="#F5B700"
      stroke-width="4"
      stroke-linecap="round"
    />
    <path d="M6 27h22a11 11 0 0 1-22 0z" fill="#F5B700" />
    <ellipse cx="17" cy="27" rx="11" ry="3" fill="#C98F00" />
  </svg>
  {#each places as place (place.key)}
    <a
      href={place.href}
      aria-current={place.here ? 'page' : undefined}
      class={[
        'flex h-16 flex-col justify-center border-l-6 pl-4 leading-tight focus-visible:outline-ladle focus-visible:-outline-offset-4 max-phone:h-full max-phone:min-w-0 max-phone:flex-1 max-phone:items-center max-phone:border-t-5 max-phone:border-l-0 max-phone:pl-0 max-tiny:h-9 max-tiny:basis-1/3',
        place.here ? 'border-ladle bg-rail-deep' : 'border-transparent hover:bg-rail-deep'
      ]}
    >
      <span class="amount text-base max-tiny:hidden" aria-hidden="true">{place.key}</span>
      {place.name}
    </a>
  {/each}
  <button
    type="button"
    class="mt-auto flex h-14 flex-col justify-center border-l-6 border-transparent pl-4 text-left leading-tight hover:bg-rail-deep focus-visible:-outline-offset-4 focus-visible:outline-ladle max-phone:hidden"
    onclick={() => (keyList.open = true)}
  >
    <span class="amount text-base" aria-hidden="true">?</span>
    Keys
  </button>
</nav>
