<script lang="ts">
  import { page } from '$app/state';
</script>

<main class="mx-auto max-w-xl p-8">
  <h1>{page.status === 404 ? 'Not here' : 'That did not work'}</h1>
  <p class="mt-3">{page.error?.message}</p>
  <p class="mt-6"><a class="btn" href="/people">To the people</a></p>
</main>
