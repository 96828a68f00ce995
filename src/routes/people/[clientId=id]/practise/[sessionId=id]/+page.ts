import { openOutbox } from '$lib/ui/device/outbox.svelte';
import type { PageLoad } from './$types';

/** The player lives in the browser alone: its place and its outbox are kept there. */
export const ssr = false;

export const load: PageLoad = async ({ data }) => ({ ...data, outbox: await openOutbox() });
