// Fills the demo's directory while the application is built. A message from the parent ends it after the person at hand.
import { importSources } from './sources.mjs';

/** The first person, and the longest history, which would hold up every page while the server writes it. */
const leastPeople = 2;
let isEnough = false;
process.on('message', () => (isEnough = true));
process.channel?.unref();

const { openStudio, photoFiles, studioRepo, fillDemo } = await importSources({
  openStudio: 'src/lib/server/db/openStudio.ts',
  photoFiles: 'src/lib/server/photos/photoFiles.ts',
  studioRepo: 'src/lib/server/repo/studioRepo.ts',
  fillDemo: 'src/lib/server/demo/fillDemo.ts'
});
const dataDir = process.env.DATA_DIR;
try {
  const studio = await openStudio.openStudio({ dataDir }, () => undefined);
  const files = photoFiles.photoFiles(dataDir, await studioRepo.getStudioKey(studio.db));
  for await (const { done } of fillDemo.fillDemo(studio.db, files, new Date())) if (isEnough && done >= leastPeople) break;
  await studio.close();
} catch (error) {
  process.stderr.write(`The demo could not be filled beside the build: ${error.message}\n`);
}
process.exit(); // the embedded database keeps a timer
