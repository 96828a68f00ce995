<script lang="ts">
  import { onMount } from 'svelte';
  import { awayPage } from '$lib/ui/device/awayPath';
  import { forgetUseless } from '$lib/ui/device/deviceStore';
  import { openOutbox, type Outbox } from '$lib/ui/device/outbox.svelte';

  /** What was said on this device and has not arrived: sent from any page, and told as long as it waits. */
  let outbox = $state.raw<Outbox | null>(null);
  onMount(async () => {
    outbox = await openOutbox();
    await outbox.send();
    await forgetUseless(outbox.letters);
  });
</script>

<svelte:window ononline={() => void outbox?.send()} />

{#if outbox && outbox.waiting.length + outbox.refused.length > 0}
  <a
    class="flex min-h-11 items-center px-2 font-semibold underline {outbox.refused.length > 0 ? 'text-stop' : ''}"
    href={awayPage}
    >{outbox.refused.length > 0 ? `${outbox.refused.length} not taken` : `${outbox.waiting.length} not sent yet`}</a
  >
{/if}
