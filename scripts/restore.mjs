// Goes back to a snapshot of the embedded database, and starts. Without a name it lists them; "newest" is one. Settings as for npm start.
import { existsSync, readdirSync } from 'node:fs';
import { join } from 'node:path';

const dataDir = process.env.DATA_DIR ?? 'data/studio';
const folder = join(dataDir, 'snapshots');
const name = process.argv[2];
if (name) {
  process.env.CALM_REACH_RESTORE = name;
  await import('./start.mjs');
} else {
  const names = existsSync(folder) ? readdirSync(folder).filter((n) => n.endsWith('.tar.gz')) : [];
  process.stdout.write(
    names.length === 0
      ? `There is no snapshot in ${folder} yet.\n`
      : `Snapshots in ${folder}, named by the time they were taken (UTC):\n${names.sort().reverse().join('\n')}\n\nGo back to one with: npm run restore -- ${names[0]}\n`
  );
}
