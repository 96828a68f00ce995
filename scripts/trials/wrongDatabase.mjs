// One start with the other database: its pictures, and those of the first, are all there afterwards.
import { existsSync, readdirSync } from 'node:fs';
import { join } from 'node:path';
import { noPostgres, startPostgres } from './postgres.mjs';
import { demoStudio, readRows, startStudio, tell } from './studio.mjs';

const port = 5326;
const server = startPostgres() ?? noPostgres();
const dataDir = await demoStudio('wrong', port);
const env = { DATABASE_URL: server.url };
const folders = () => (existsSync(join(dataDir, 'photos')) ? readdirSync(join(dataDir, 'photos')) : []);
const files = () =>
  folders()
    .flatMap((f) => readdirSync(join(dataDir, 'photos', f)).map((name) => `${f}/${name}`))
    .sort();

const pictures = (await readRows(dataDir, { photos: 'select id, client_id as "clientId" from photo' })).photos;
/** How many of a studio's pictures it still shows. */
async function shown(known, options) {
  const studio = await startStudio(dataDir, port, options);
  const answers = await Promise.all(known.map((p) => fetch(`${studio.origin}/people/${p.clientId}/photos/${p.id}`)));
  await studio.stop();
  return answers.filter((a) => a.ok).length;
}
const before = files();
await (await startStudio(dataDir, port, { env: { ...env, CALM_REACH_DEMO: '1' } })).stop(); // the server's own demo, with pictures of its own
const ofServer = JSON.parse(
  server.sql(`select coalesce(json_agg(json_build_object('id', id, 'clientId', client_id)), '[]') from photo`)
);
const embeddedShown = await shown(pictures, {});
const serverShown = await shown(ofServer, { env });
const gone = before.filter((name) => !files().includes(name));
tell(
  { embedded: pictures.length, embeddedShown, server: ofServer.length, serverShown, gone: gone.length },
  pictures.length > 0 &&
    ofServer.length > 0 &&
    embeddedShown === pictures.length &&
    serverShown === ofServer.length &&
    gone.length === 0
);
