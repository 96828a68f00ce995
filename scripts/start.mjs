// Starts the built application on this machine only. Settings by environment: PORT, HOST, DATA_DIR, DATABASE_URL.
import { existsSync } from 'node:fs';
import { spawn } from 'node:child_process';
import { bodySizeLimit, ensureBuilt, ensureInstalled } from './setUp.mjs';

const port = process.env.PORT ?? '5080';
const host = process.env.HOST ?? '127.0.0.1';
const dataDir = process.env.DATA_DIR ?? 'data/studio';

ensureInstalled();
ensureBuilt();
const isNew = !existsSync(dataDir);
process.stdout.write(
  `Calm Reach opens ${process.env.DATABASE_URL ? 'the database server' : dataDir}${isNew ? ' (new, this takes some seconds)' : ''} …\n`
);

const origin = process.env.ORIGIN ?? `http://localhost:${port}`;
const server = spawn(process.execPath, ['build'], {
  stdio: 'inherit',
  env: { ...process.env, PORT: port, HOST: host, ORIGIN: origin, DATA_DIR: dataDir, BODY_SIZE_LIMIT: bodySizeLimit }
});
for (const signal of ['SIGINT', 'SIGTERM']) process.on(signal, () => server.kill(signal));
server.on('exit', (code) => process.exit(code ?? 0));

const waiting = setInterval(async () => {
  const answer = await fetch(`http://${host === '0.0.0.0' ? '127.0.0.1' : host}:${port}/people`).catch(() => null);
  if (!answer?.ok) return;
  clearInterval(waiting);
  process.stdout.write(`\nCalm Reach is ready: ${origin}\nStop it with Ctrl+C.\n`);
}, 300);
