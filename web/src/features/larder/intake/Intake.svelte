<script lang="ts">
  import LarderPage from '../../../ui/larder/LarderPage.svelte';
  import FileButton from '../../../ui/FileButton.svelte';
  import ErrorText from '../../../ui/ErrorText.svelte';
  import { Intake } from './intake.svelte';
  import IntakeView from './IntakeView.svelte';

  const intake = new Intake();
</script>

<LarderPage
  title="Take in"
  told="A table of goods (CSV or XLSX), or a supplier's sheet with allergen codes (JSON). It is looked at first; nothing is recorded until you confirm."
>
  <div class="mt-4 flex flex-wrap items-center gap-5">
    <FileButton
      label="A table or sheet of goods"
      accept=".csv,.xlsx,.json,text/csv,application/json"
      disabled={intake.busy}
      onfiles={([file]) => file && void intake.look(file)}>Choose a file</FileButton
    >
    <p>
      An empty table to fill in: <a class="underline" href="/api/v1/intake/template.csv" download
        >CSV</a
      >,
      <a class="underline" href="/api/v1/intake/template.xlsx" download>XLSX</a>
    </p>
    <p>
      The larder as it stands: <a class="underline" href="/api/v1/intake/larder.csv" download>CSV</a
      >,
      <a class="underline" href="/api/v1/intake/larder.xlsx" download>XLSX</a>,
      <a class="underline" href="/api/v1/intake/larder.json" download>JSON with allergen codes</a>
    </p>
  </div>
  <div class="mt-3"><ErrorText error={intake.error} /></div>
  {#if intake.looked}
    <IntakeView {intake} looked={intake.looked} />
  {/if}
</LarderPage>
