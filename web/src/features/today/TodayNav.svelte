<script lang="ts">
  import { p, route } from '../../app/routes';

  /** The ways between what is made today, what stands there and the tools. */
  const places = [
    { name: 'Made today', href: p('/today') },
    { name: 'The shelf', href: p('/shelf') },
    { name: 'Tools', href: p('/tools') }
  ];
</script>

<nav
  aria-label="Today"
  class="flex flex-wrap gap-x-6 border-b border-rule px-6 max-phone:px-3 print:hidden"
>
  {#each places as place (place.href)}
    <a
      class={[
        'flex min-h-11 items-center border-b-3',
        route.pathname === place.href ? 'border-ladle font-semibold' : 'border-transparent'
      ]}
      aria-current={route.pathname === place.href ? 'page' : undefined}
      href={place.href}>{place.name}</a
    >
  {/each}
</nav>
