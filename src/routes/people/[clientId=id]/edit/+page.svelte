<script lang="ts">
  import ClientForm from '../../ClientForm.svelte';

  let { data, form } = $props();
</script>

<main class="mx-auto max-w-4xl p-5">
  <h1 class="mb-5">{data.client.name}</h1>
  <ClientForm units={data.units} {form} known={data.client} submit="Keep" cancelHref="/people/{data.client.id}" />
</main>
