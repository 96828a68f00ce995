// Makes the studio that the browser tests begin with, in data/tests/studio: its data, and the ids of its people by name.
import { mkdirSync, renameSync, rmSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { importSources } from './sources.mjs';

const studioDir = 'data/tests/studio';
const halfDir = `${studioDir}-half`;
rmSync(halfDir, { recursive: true, force: true });
mkdirSync(halfDir, { recursive: true });
const { openStudio, clientCase, testStudio, people } = await importSources({
  openStudio: 'src/lib/server/db/openStudio.ts',
  clientCase: 'src/lib/server/service/clientCase.ts',
  testStudio: 'src/lib/server/testing/testStudio.ts',
  people: 'tests/e2e/people.ts'
});

const today = clientCase.dateOf(new Date());
const studio = await openStudio.openStudio({ dataDir: join(halfDir, 'data') }, () => undefined);
const ids = await testStudio.fillTestStudio(studio.db, people.people, today);
await studio.close();
writeFileSync(join(halfDir, 'people.json'), JSON.stringify({ today, ids }));
rmSync(studioDir, { recursive: true, force: true });
renameSync(halfDir, studioDir);
process.exit(); // the embedded database keeps a timer
