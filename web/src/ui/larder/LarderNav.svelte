<script lang="ts">
  import { kitchenQuery, noticesQuery } from '../../api/queries';
  import { p, route } from '../../app/routes';

  /** The pages of the larder, each one tap away from the others. */
  const kitchen = kitchenQuery();
  const notices = noticesQuery();
  const pages = $derived([
    { name: 'Jars', href: p('/larder'), path: '/larder', count: 0 },
    {
      name: 'Not checked',
      href: p('/unchecked'),
      path: '/unchecked',
      count: kitchen.data?.unchecked ?? 0
    },
    { name: 'Running bags', href: p('/bags'), path: '/bags', count: 0 },
    {
      name: 'Supplier',
      href: p('/supplier'),
      path: '/supplier',
      count: notices.data?.length ?? 0
    },
    { name: 'Take in', href: p('/intake'), path: '/intake', count: 0 },
    { name: 'History', href: p('/history'), path: '/history', count: 0 }
  ]);
</script>

<nav
  aria-label="Larder pages"
  class="flex border-b border-rule bg-sheet px-3 max-tablet:flex-wrap max-phone:px-1"
>
  {#each pages as page (page.path)}
    {@const here = route.pathname.startsWith(page.path)}
    <a
      href={page.href}
      aria-current={here ? 'page' : undefined}
      class={[
        'flex min-h-11 items-center gap-1.5 border-b-3 px-3 max-phone:px-2',
        here ? 'border-ladle font-semibold' : 'border-transparent hover:bg-ladle-pale'
      ]}
    >
      {page.name}
      {#if page.count > 0}<span class="amount text-base text-clay">{page.count}</span>{/if}
    </a>
  {/each}
</nav>
