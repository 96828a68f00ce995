<script lang="ts">
  import PlayerPage from '$lib/ui/player/PlayerPage.svelte';

  let { data } = $props();
</script>

{#key data.played.session.id}<PlayerPage played={data.played} outbox={data.outbox} />{/key}
