<script lang="ts">
  import { kitchenQuery } from '../api/queries';

  /** The one line beside every decision. */
  const kitchen = kitchenQuery();
</script>

<p class="text-base text-soft">{kitchen.data?.say}</p>
