import { listSessions } from '$lib/ui/device/deviceStore';
import { openOutbox } from '$lib/ui/device/outbox.svelte';
import type { PageLoad } from './$types';

/** What this device holds by itself: nothing of it comes from a server. */
export const ssr = false;

export const load: PageLoad = async ({ url }) => ({
  asked: Number(url.searchParams.get('session')),
  sessions: await listSessions(),
  outbox: await openOutbox()
});
