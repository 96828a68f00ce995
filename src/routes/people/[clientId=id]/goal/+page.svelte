<script lang="ts">
  import { page } from '$app/state';
  import GoalForm from './GoalForm.svelte';
  import OpenGoals from './OpenGoals.svelte';

  let { data, form } = $props();
  const isNew = $derived(data.editing === null);
</script>

<main class="mx-auto grid max-w-6xl gap-6 p-5 {data.openGoals.length > 0 ? 'lg:grid-cols-[1fr_20rem]' : ''}">
  <div class={data.openGoals.length > 0 ? '' : 'mx-auto w-full max-w-3xl'}>
    {#key data.editing?.id ?? page.url.search}
      <GoalForm
        goal={data.editing}
        unit={data.units.length}
        turnout={data.turnout}
        stageFacts={data.stageFacts}
        form={form && 'form' in form && form.form === 'save' ? form : null}
        {isNew}
        body={data.client.body}
      />
    {/key}
  </div>
  {#if data.openGoals.length > 0}
    <OpenGoals
      goals={data.openGoals}
      inWorkId={data.inWorkId}
      editingId={data.editing?.id ?? null}
      base="/people/{data.client.id}"
    />
  {/if}
</main>
