<script lang="ts">
  import ExerciseForm from '../ExerciseForm.svelte';

  let { data, form } = $props();
  const asClient = $derived(data.forClient ? `?client=${data.forClient.id}` : '');
</script>

<svelte:head><title>An exercise of your own · Calm Reach</title></svelte:head>

<main class="mx-auto max-w-4xl p-5">
  <p><a class="underline" href="/library{asClient}">Library</a></p>
  <h1 class="mt-1 mb-4">{data.copied ? 'A copy of your own' : 'An exercise of your own'}</h1>
  <ExerciseForm
    known={data.copied}
    {form}
    others={data.others}
    easier={data.easier}
    harder={data.harder}
    submitLabel="Put it into the library"
    cancelHref="/library{data.copied ? `/${data.copied.id}` : ''}{asClient}"
    tryFor={data.forClient}
  />
</main>
