<script lang="ts">
  import { easedBlock } from '$lib/core';
  import type { KeptSession } from '$lib/contract/played';
  import type { Typed } from '$lib/contract/problem';
  import { isOfUse, putSession, sessionOf } from '$lib/ui/device/deviceStore';
  import { dateToday } from '$lib/ui/format';
  import PlayerPage from '$lib/ui/player/PlayerPage.svelte';
  import KeptList from './KeptList.svelte';
  import KeptStart from './KeptStart.svelte';

  let { data } = $props();
  const today = dateToday();
  const sessions = $derived(data.sessions.filter((s) => isOfUse(s, today, data.outbox.letters)));
  /** The one that was begun on this page. */
  let begun = $state.raw<KeptSession | null>(null);
  const asked = $derived(begun ?? sessions.find((s) => s.session.id === data.asked));
  const day = $derived(asked?.days.find((d) => d.on === today));

  const of = (kept: KeptSession) => ({ clientId: kept.client.id, sessionId: kept.session.id, of: sessionOf(kept) });

  /** A new symptom is told to the studio, which opens its stop; from this device the session does not start any more. */
  async function stop(kept: KeptSession, answers: Typed) {
    await data.outbox.put(of(kept), 'start', { ...answers, copy: kept.copy, at: new Date().toISOString() });
  }

  /** Begins it on this device: what the studio will be told is kept first. */
  async function begin(kept: KeptSession, answers: Typed, easier: boolean) {
    await data.outbox.put(of(kept), 'start', { ...answers, copy: kept.copy, at: new Date().toISOString() });
    const running: KeptSession = {
      ...kept,
      blocks: easier ? kept.blocks.map(easedBlock) : kept.blocks,
      session: { ...kept.session, status: 'running' }
    };
    await putSession(running).catch(() => undefined);
    // Kept for as long as it is needed, where the browser lets itself be asked.
    void navigator.storage?.persist?.();
    begun = running;
  }
</script>

<svelte:head><title>{asked ? sessionOf(asked) : 'Kept on this device'} · Calm Reach</title></svelte:head>

{#if asked && asked.session.status !== 'planned'}
  {#key asked.session.id}<PlayerPage played={asked} outbox={data.outbox} />{/key}
{:else if asked && day}
  <KeptStart
    kept={asked}
    {day}
    begin={(answers, easier) => begin(asked, answers, easier)}
    stop={(answers) => stop(asked, answers)}
  />
{:else}
  <KeptList {sessions} outbox={data.outbox} {today} />
{/if}
