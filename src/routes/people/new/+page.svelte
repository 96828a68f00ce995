<script lang="ts">
  import ClientForm from '../ClientForm.svelte';

  let { data, form } = $props();
</script>

<svelte:head><title>Add a person · Calm Reach</title></svelte:head>
<main class="mx-auto max-w-4xl p-5">
  <h1 class="mb-5">Add a person</h1>
  <ClientForm units={data.units} {form} submit="Add, then set the goal" cancelHref="/people" />
</main>
