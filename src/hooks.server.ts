import { subscribe } from 'node:diagnostics_channel';
import type { ServerResponse } from 'node:http';
import { building } from '$app/environment';
import { env } from '$env/dynamic/private';
import { error, type Handle, type HandleServerError, type ServerInit } from '@sveltejs/kit';
import { hintsCookie, hintsLeft } from '$lib/contract/hints';
import { askers } from '$lib/server/askers';
import { DatabaseAway, DatabaseBusy } from '$lib/server/db/away';
import type { Database } from '$lib/server/db/db';
import type { DemoFill } from '$lib/server/demo/demoFill';
import { photoFiles, type PhotoFiles } from '$lib/server/photos/photoFiles';
import { deleteKeptBefore } from '$lib/server/repo/keptSessionRepo';
import { deleteSentBefore } from '$lib/server/repo/sentFormRepo';
import { getStudioKey } from '$lib/server/repo/studioRepo';
import { sweepPhotos } from '$lib/server/service/photos';
import { caseMemory, type CaseMemory } from '$lib/server/service/caseMemory';
import { dateOf, type ClientCase } from '$lib/server/service/clientCase';
import { openStudio, type Studio } from '$lib/server/db/openStudio';

/** Kept on globalThis so that a reload in development does not open the directory twice. */
const held = globalThis as typeof globalThis & { calmReach?: { opening: Promise<Opened>; opened: Opened | null } };
type Opened = Readonly<{ studio: Studio; memory: CaseMemory; files: PhotoFiles; demo: DemoFill | null }>;

const say = (text: string) => process.stdout.write(`${text}\n`);

async function open(): Promise<Opened> {
  const dataDir = env.DATA_DIR || 'data/studio';
  const studio = await openStudio(
    { dataDir, url: env.DATABASE_URL || undefined, restore: env.CALM_REACH_RESTORE || undefined },
    say
  );
  const { db } = studio;
  const files = photoFiles(dataDir, await getStudioKey(db));
  const monthAgo = new Date(Date.now() - 30 * 24 * 3600 * 1000).toISOString();
  await deleteSentBefore(db, monthAgo);
  await deleteKeptBefore(db, monthAgo);
  const aside = await sweepPhotos(db, files, new Date());
  if (aside > 0)
    say(`pictures: ${aside} that no measure knows are put aside for a month, in the folder "aside" beside the others`);
  const isDemo = env.CALM_REACH_DEMO === '1';
  const demo = isDemo ? await (await import('$lib/server/demo/demoFill')).startDemoFill(db, files, new Date(), say) : null;
  // What was filled in is worth a snapshot, whenever the next is due.
  void demo?.filled.then(() => studio.snapshot());
  return { studio, memory: caseMemory(answering(db)), files, demo };
}

export const init: ServerInit = async () => {
  if (building) return;
  if (!held.calmReach) {
    // Started by a wrapper it ends with it, however that ended.
    if (process.connected) {
      process.once('disconnect', () => process.kill(process.pid, 'SIGTERM'));
      process.channel?.unref(); // listened to, and no reason to stay
    }
    // PGlite keeps a timer alive, and so does a server that is waited for: without this the process would not end.
    process.on('sveltekit:shutdown', async () => {
      await held.calmReach?.opened?.demo?.stop();
      await held.calmReach?.opened?.studio.close();
      process.exit();
    });
    const opening = open();
    const mine = { opening, opened: null as Opened | null };
    held.calmReach = mine;
    void opening.then(
      (opened) => (mine.opened = opened),
      (error: unknown) => cannotOpen(error)
    );
  }
  // A server may be away for long: then the pages say so.
  if (!env.DATABASE_URL) await held.calmReach.opening;
};

function cannotOpen(error: unknown): void {
  process.stderr.write(`${error instanceof Error ? error.message : String(error)}\n`);
  process.exit(1);
}

/** The database of a request: where the server behind it is away, that is what the page says. */
function answering({ query, transaction, close }: Database): Database {
  const told = <T>(asking: Promise<T>): Promise<T> =>
    asking.catch((e: unknown) =>
      e instanceof DatabaseAway ? error(503, away) : e instanceof DatabaseBusy ? error(503, busy) : Promise.reject(e as Error)
    );
  return { query: (text, values) => told(query(text, values)), transaction: (run) => told(transaction(run)), close };
}

const busy = 'Somebody else is writing there, and it took too long. Nothing of this was written; try again.';
const away = 'The database server does not answer. What was confirmed is kept; try again in some seconds.';

const { isHost, isOrigin } = askers({
  ORIGIN: env.ORIGIN,
  PORT: env.PORT,
  HOST: env.HOST,
  CALM_REACH_HOSTS: env.CALM_REACH_HOSTS
});
/** Sensors and camera are for the pages themselves; nothing else is used. */
const permissions =
  'accelerometer=(self), gyroscope=(self), magnetometer=(self), camera=(self), microphone=(), geolocation=(), payment=(), usb=()';

const themes = ['light', 'dark', 'system'] as const;

// Also on files that no handler sees: scripts, styles, fonts.
subscribe('http.server.request.start', (message) => {
  const { response } = message as { response: ServerResponse };
  response.setHeader('x-content-type-options', 'nosniff');
  response.setHeader('cross-origin-resource-policy', 'same-origin');
});

export const handle: Handle = async ({ event, resolve }) => {
  const { locals, request } = event;
  // Two names at once are nobody's: what stands before this server may have read the other one.
  const names = event.platform?.req.rawHeaders.filter((h, i) => i % 2 === 0 && h.toLowerCase() === 'host') ?? [];
  if (names.length > 1) error(400, 'This request names two hosts.');
  if (!isHost(request.headers.get('host'))) error(421, 'This studio is not reached by that name.');
  if (!['GET', 'HEAD', 'OPTIONS'].includes(request.method) && !isOrigin(request.headers.get('origin')))
    error(403, 'This was not sent by a page of this studio.');
  const opened = held.calmReach?.opened;
  if (!opened) error(503, away);
  locals.studio = opened.studio;
  locals.db = answering(opened.studio.db);
  locals.photoFiles = opened.files;
  locals.demoProgress = () => opened.demo?.progress ?? null;
  locals.now = new Date();
  locals.today = dateOf(locals.now);
  locals.theme = themes.find((t) => t === event.cookies.get('theme')) ?? 'system';
  locals.hintsLeft = hintsLeft(event.cookies.get(hintsCookie));
  const cases = new Map<number, Promise<ClientCase>>();
  locals.caseOf = (clientId) => {
    // What a form has changed is shown by the page that answers it.
    const known = (request.method === 'GET' && cases.get(clientId)) || opened.memory.caseOf(clientId, locals.today);
    cases.set(clientId, known);
    return known;
  };
  locals.memory = opened.memory;
  const inPlayer = event.route.id?.endsWith('/practise/[sessionId=id]') ?? false;
  const theme = inPlayer ? 'dark' : locals.theme;
  const response = await resolve(event, { transformPageChunk: ({ html }) => html.replace('%calm.theme%', theme) });
  if (!response.headers.has('cache-control')) response.headers.set('cache-control', 'no-store');
  response.headers.set('permissions-policy', permissions);
  response.headers.set('referrer-policy', 'same-origin');
  response.headers.set('cross-origin-opener-policy', 'same-origin');
  return response;
};

/** A fault is told in the log by its message and place; driver errors carry people's data in their parameters, which stay out. */
export const handleError: HandleServerError = ({ error, event, status }) => {
  if (status === 404) return { message: 'There is no such page.' };
  // What was asked is at fault, and who asked is told: nothing for the log.
  if (status < 500) return { message: 'This could not be read as it was sent.' };
  const place = error instanceof Error ? (error.stack ?? error.message) : String(error);
  process.stderr.write(`${event.request.method} ${event.route.id ?? '?'}: ${place}\n`);
  return { message: 'Something went wrong here. Nothing was half-written; try again, or go back.' };
};
