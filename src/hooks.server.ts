import { building } from '$app/environment';
import { env } from '$env/dynamic/private';
import { error, type Handle, type HandleServerError, type ServerInit } from '@sveltejs/kit';
import { askers } from '$lib/server/askers';
import { asOne, openDatabase, type Database } from '$lib/server/db/db';
import { lockDataDir } from '$lib/server/db/dataDirLock';
import { migrate } from '$lib/server/db/migrate';
import { photoFiles, type PhotoFiles } from '$lib/server/photos/photoFiles';
import { deleteSentBefore } from '$lib/server/repo/sentFormRepo';
import { getStudioKey } from '$lib/server/repo/studioRepo';
import { sweepPhotos } from '$lib/server/service/photos';
import { dateOf, loadCase, type ClientCase } from '$lib/server/service/clientCase';

/** Kept on globalThis so that a reload in development does not open the directory twice. */
const held = globalThis as typeof globalThis & { calmReach?: Promise<Opened> };
type Opened = Readonly<{ db: Database; files: PhotoFiles }>;

const say = (text: string) => process.stdout.write(`${text}\n`);

async function open(): Promise<Opened> {
  const url = env.DATABASE_URL;
  const dataDir = env.DATA_DIR || 'data/studio';
  const free = url ? () => undefined : await lockDataDir(dataDir);
  const db = await openDatabase(url ? { url } : { dataDir: `${dataDir}/database` });
  const applied = await migrate(db);
  const files = photoFiles(dataDir, await getStudioKey(db));
  if (applied.length > 0) say(`database: ${applied.length} migrations applied`);
  if (env.CALM_REACH_DEMO === '1') {
    const { seedDemo } = await import('$lib/server/demo/seedDemo');
    await asOne(db, (one) => seedDemo(one, files, new Date(), say)); // whole or not at all
  }
  await deleteSentBefore(db, new Date(Date.now() - 30 * 24 * 3600 * 1000).toISOString());
  const aside = await sweepPhotos(db, files, new Date());
  if (aside > 0)
    say(`pictures: ${aside} that no measure knows are put aside for a month, in the folder "aside" beside the others`);
  // Started by a wrapper it ends with it, however that ended.
  if (process.connected) {
    process.once('disconnect', () => process.kill(process.pid, 'SIGTERM'));
    process.channel?.unref(); // listened to, and no reason to stay
  }
  // PGlite keeps a timer alive: without this the process would not end.
  process.on('sveltekit:shutdown', async () => {
    await db.close();
    free();
  });
  return { db, files };
}

export const init: ServerInit = async () => {
  if (building) return;
  held.calmReach ??= open();
  await held.calmReach;
};

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

export const handle: Handle = async ({ event, resolve }) => {
  const { locals, request } = event;
  if (!isHost(request.headers.get('host'))) error(421, 'This studio is not reached by that name.');
  if (!['GET', 'HEAD', 'OPTIONS'].includes(request.method) && !isOrigin(request.headers.get('origin')))
    error(403, 'This was not sent by a page of this studio.');
  const { db, files } = await held.calmReach!;
  locals.db = db;
  locals.photoFiles = files;
  locals.now = new Date();
  locals.today = dateOf(locals.now);
  locals.theme = themes.find((t) => t === event.cookies.get('theme')) ?? 'system';
  const cases = new Map<number, Promise<ClientCase>>();
  locals.caseOf = (clientId) => {
    const known = cases.get(clientId) ?? loadCase(locals.db, clientId, locals.today);
    cases.set(clientId, known);
    return known;
  };
  const inPlayer = event.route.id?.endsWith('/practise/[sessionId=id]') ?? false;
  const theme = inPlayer ? 'dark' : locals.theme;
  const response = await resolve(event, { transformPageChunk: ({ html }) => html.replace('%calm.theme%', theme) });
  if (!response.headers.has('cache-control')) response.headers.set('cache-control', 'no-store');
  response.headers.set('permissions-policy', permissions);
  response.headers.set('x-content-type-options', 'nosniff');
  response.headers.set('cross-origin-resource-policy', 'same-origin');
  response.headers.set('referrer-policy', 'same-origin');
  response.headers.set('cross-origin-opener-policy', 'same-origin');
  return response;
};

/** A fault is told in the log by its message and place; driver errors carry people's data in their parameters, which stay out. */
export const handleError: HandleServerError = ({ error, event, status }) => {
  if (status === 404) return { message: 'There is no such page.' };
  const place = error instanceof Error ? (error.stack ?? error.message) : String(error);
  process.stderr.write(`${event.request.method} ${event.route.id ?? '?'}: ${place}\n`);
  return { message: 'Something went wrong here. Nothing was half-written; try again, or go back.' };
};
