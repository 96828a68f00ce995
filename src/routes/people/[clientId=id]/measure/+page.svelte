<script lang="ts">
  import { pathText } from '$lib/ui/pathText';
  import { measureOf } from '$lib/core';
  import DueList from './DueList.svelte';
  import MeasureForm from './MeasureForm.svelte';
  import Recent from './Recent.svelte';

  let { data, form } = $props();
  const measure = $derived(measureOf(data.measureId));
  const check = $derived(data.stations.find((s) => s.id === 'check'));
  const saving = $derived(form && 'form' in form && form.form === 'save' ? form : null);
</script>

<main class="mx-auto grid max-w-7xl gap-5 p-5 lg:grid-cols-[17rem_1fr]">
  <DueList
    groups={data.groups}
    measureId={data.measureId}
    size={data.size}
    counts={{ short: data.shortCount, full: data.fullCount }}
    base="/people/{data.client.id}/measure"
  />
  <div class="min-w-0">
    {#if check?.state === 'blocked'}
      <p class="card mb-4 border-2 border-stop" role="alert">
        <strong class="text-stop">{pathText(check.word)}</strong> Measuring is a stretch too: wait for the clearance, or leave out
        what loads it.
        <a class="underline underline-offset-4" href="/people/{data.client.id}/check">To the check</a>
      </p>
    {/if}
    {#key data.measureId}
      <MeasureForm
        {measure}
        {data}
        form={saving}
        unit={data.units.length}
        lead={data.goal?.leadSide ?? 'left'}
        stage={data.goal?.stage ?? 0}
        today={data.today}
        client={data.client}
      />
    {/key}
    <Recent
      {measure}
      taken={data.taken}
      removed={data.removed}
      unit={data.units.length}
      base="/people/{data.client.id}/measure"
    />
  </div>
</main>
