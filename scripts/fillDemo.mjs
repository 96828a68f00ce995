// Fills the directory of the demo with Lantern Hall from the sources, so that it need not wait for a build; whole or not at all.
import { resolve } from 'node:path';
import { createServer } from 'vite';

const dataDir = process.env.DATA_DIR ?? 'data/demo';
// Without the application's own configuration: a build may run beside this, and both would write the files that it generates.
const vite = await createServer({
  configFile: false,
  resolve: { alias: { $lib: resolve('src/lib') } },
  server: { middlewareMode: true, watch: null, hmr: false, ws: false },
  optimizeDeps: { noDiscovery: true },
  appType: 'custom',
  logLevel: 'error'
});
const load = (path) => vite.ssrLoadModule(path);
const { openStudio } = await load('/src/lib/server/db/openStudio.ts');
const { asOne } = await load('/src/lib/server/db/db.ts');
const { photoFiles } = await load('/src/lib/server/photos/photoFiles.ts');
const { getStudioKey } = await load('/src/lib/server/repo/studioRepo.ts');
const { seedDemo } = await load('/src/lib/server/demo/seedDemo.ts');
const say = (text) => process.stdout.write(`${text}\n`);

const studio = await openStudio({ dataDir }, say);
const files = photoFiles(dataDir, await getStudioKey(studio.db));
await asOne(studio.db, (one) => seedDemo(one, files, new Date(), say));
await studio.close();
await vite.close();
process.exit(); // the embedded database keeps a timer
