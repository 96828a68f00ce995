<script lang="ts">
  import { onMount } from 'svelte';
  import { invalidateAll } from '$app/navigation';
  import { awayPage } from '$lib/ui/device/awayPath';
  import type { Outbox } from '$lib/ui/device/outbox.svelte';

  /** What was said on this device and has not arrived: sent from any page, and told as long as it waits. */
  let outbox = $state.raw<Outbox | null>(null);
  onMount(async () => {
    // Nothing of a page waits for this: it comes after it.
    const { openOutbox } = await import('$lib/ui/device/outbox.svelte');
    const { forgetUseless } = await import('$lib/ui/device/deviceStore');
    outbox = await openOutbox();
    const waited = outbox.waiting.length;
    await outbox.send();
    // What has arrived meanwhile is not yet in what this page shows.
    if (outbox.waiting.length < waited) await invalidateAll();
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
