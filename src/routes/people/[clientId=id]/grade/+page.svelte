<script lang="ts">
  import ExerciseDesk from './ExerciseDesk.svelte';
  import WeekList from './WeekList.svelte';

  let { data, form } = $props();
  const base = $derived(`/people/${data.client.id}`);
</script>

<main class="grid grid-cols-[minmax(0,1fr)] lg:grid-cols-[13.5rem_minmax(0,1fr)_25rem]">
  <WeekList
    week={data.week}
    missing={data.missing}
    exercise={data.desk?.exercise ?? null}
    {base}
    unit={data.units.length}
    inWeek={data.desk?.inWeek ?? true}
    {form}
    atHome={data.atHome}
    isBarred={data.desk?.isBarred ?? false}
  />
  {#if data.desk}
    <ExerciseDesk {data} desk={data.desk} {form} />
  {:else}
    <section class="card m-4 max-w-2xl self-start lg:col-span-2">
      <h1>Nothing in the week yet</h1>
      <p class="mt-2">
        This goal names no joint range, so no first list follows from it. Put exercises into the week from the library, or write
        under Goal which ranges it needs.
      </p>
      <p class="mt-4 flex flex-wrap gap-3">
        <a class="btn btn-primary" href="/library?client={data.client.id}">Choose from the library</a>
        <a class="btn" href="{base}/goal">To the goal</a>
      </p>
    </section>
  {/if}
</main>
