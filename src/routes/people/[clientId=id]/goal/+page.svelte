<script lang="ts">
  import { page } from '$app/state';
  import GoalForm from './GoalForm.svelte';
  import GoalTiles from './GoalTiles.svelte';
  import OpenGoals from './OpenGoals.svelte';

  let { data, form } = $props();
  const saving = $derived(form && 'form' in form && form.form === 'save' ? form : null);
  const base = $derived(`/people/${data.client.id}/goal`);
  const kind = $derived(data.editing?.kind ?? data.kind);
</script>

<main class="mx-auto grid max-w-6xl gap-6 p-5 {data.openGoals.length > 0 ? 'lg:grid-cols-[1fr_20rem]' : ''}">
  <div class={kind && data.openGoals.length === 0 ? 'mx-auto w-full max-w-3xl' : 'min-w-0'}>
    {#if !kind}
      <GoalTiles name={data.client.name} href={(id) => `${base}?goal=new&kind=${id}`} />
    {:else}
      {#key data.editing?.id ?? page.url.search}
        <GoalForm
          {kind}
          goal={data.editing}
          unit={data.units.length}
          turnout={data.turnout}
          stageFacts={data.stageFacts}
          form={saving}
          body={data.client.body}
          tilesHref="{base}?goal=new"
        />
      {/key}
    {/if}
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
