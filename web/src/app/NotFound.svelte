<script lang="ts">
  import { p } from './routes';
</script>

<div class="p-8">
  <h1 class="text-title">This page does not exist</h1>
  <p class="mt-2">
    What you record is kept. Go back to <a class="underline" href={p('/')}>the family</a>.
  </p>
</div>
