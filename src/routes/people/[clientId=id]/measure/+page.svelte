<script lang="ts">
  import { measureOf } from '$lib/core';
  import DueList from './DueList.svelte';
  import MeasureForm from './MeasureForm.svelte';
  import Recent from './Recent.svelte';

  let { data, form } = $props();
  const measure = $derived(measureOf(data.measureId));
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
    {#key data.measureId}
      <MeasureForm
        {measure}
        {data}
        form={saving}
        unit={data.units.length}
        lead={data.goal?.leadSide ?? 'left'}
        today={data.today}
        body={data.client.body}
      />
    {/key}
    <Recent {measure} taken={data.taken} unit={data.units.length} />
  </div>
</main>
