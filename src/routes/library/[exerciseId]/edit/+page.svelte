<script lang="ts">
  import ExerciseForm from '../../ExerciseForm.svelte';

  let { data, form } = $props();
</script>

<svelte:head><title>{data.own.name} · Calm Reach</title></svelte:head>

<main class="mx-auto max-w-4xl p-5">
  <p><a class="underline" href="/library/{data.own.id}">{data.own.name}</a></p>
  <h1 class="mt-1 mb-4">Change it</h1>
  <ExerciseForm
    known={data.own}
    {form}
    others={data.others}
    easier={data.own.easier}
    harder={data.own.harder}
    submitLabel="Keep"
    cancelHref="/library/{data.own.id}"
  />
</main>
