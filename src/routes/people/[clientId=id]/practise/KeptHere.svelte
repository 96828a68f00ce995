<script lang="ts">
  import type { KeptSession } from '$lib/contract/played';
  import type { Result } from '$lib/contract/problem';
  import { awayPage } from '$lib/ui/device/awayPath';
  import { putSession } from '$lib/ui/device/deviceStore';

  /** A session that was opened is kept on this device, so that it starts where no server answers. `href`: its player. */
  let { href, sessionId }: { href: string; sessionId: number } = $props();
  let state = $state<'keeping' | 'kept' | 'no room' | 'not secure' | 'not now'>('keeping');

  async function keep(signal: AbortSignal): Promise<typeof state> {
    if (!('serviceWorker' in navigator)) return 'not secure';
    const answer = await fetch(`${href}/keep`, {
      method: 'POST',
      headers: { 'content-type': 'application/json' },
      body: '{}',
      signal
    })
      .then((response) => response.json() as Promise<Result<KeptSession>>)
      .catch(() => null);
    // What holds up a start is said beside it.
    if (!answer?.ok) return 'not now';
    return putSession(answer.value).then(
      () => 'kept' as const,
      () => 'no room' as const
    );
  }

  $effect(() => {
    const leaving = new AbortController();
    void keep(leaving.signal).then((came) => (state = came));
    return () => leaving.abort();
  });
</script>

<p class="leading-snug text-ink-soft" role="status">
  {#if state === 'kept'}
    Kept on this device for today and tomorrow.
    <a class="underline" href="{awayPage}?session={sessionId}" data-sveltekit-reload>Start it without a connection</a>
  {:else if state === 'no room'}
    This browser has no room to keep the session. It starts with a connection only.
  {:else if state === 'not secure'}
    It starts with a connection only: a browser keeps sessions of addresses that begin with https, or of this very machine.
  {/if}
</p>
