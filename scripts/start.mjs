// Starts the built application on this machine only. Settings by environment: PORT, HOST, ORIGIN, CALM_REACH_HOSTS, DATA_DIR, DATABASE_URL.
import { existsSync } from 'node:fs';
import { spawn } from 'node:child_process';
import { createServer } from 'node:net';
import { createInterface } from 'node:readline';
import { bodySizeLimit, ensureBuilt, ensureInstalled } from './setUp.mjs';

const port = process.env.PORT ?? '5080';
const host = process.env.HOST ?? '127.0.0.1';
const dataDir = process.env.DATA_DIR ?? 'data/studio';
/** After this the requests that still run, an instrument's stream among them, are cut off. */
const stopS = 1;

ensureInstalled();
await ensureBuilt();
if (!(await isFree())) {
  process.stderr.write(
    `Port ${port} is taken: perhaps Calm Reach runs already. Stop that one, or choose another port: PORT=${Number(port) + 1} npm start\n`
  );
  process.exit(1);
}
const isNew = !existsSync(dataDir);
process.stdout.write(
  `Calm Reach opens ${process.env.DATABASE_URL ? 'the database server' : dataDir}${isNew ? ' (new, this takes some seconds)' : ''} …\n`
);

const origin = process.env.ORIGIN ?? `http://localhost:${port}`;
// The channel between the two breaks with this process, however it ends: then the server ends as well.
const server = spawn(process.execPath, ['build'], {
  stdio: ['inherit', 'pipe', 'inherit', 'ipc'],
  env: {
    ...process.env,
    PORT: port,
    HOST: host,
    ORIGIN: origin,
    DATA_DIR: dataDir,
    BODY_SIZE_LIMIT: bodySizeLimit,
    SHUTDOWN_TIMEOUT: String(stopS)
  }
});
// One address alone is printed, the one to open: not that which the server listens at.
const lines = createInterface({ input: server.stdout });
lines.on('line', (line) => line.startsWith('Listening on') || process.stdout.write(`${line}\n`));
for (const signal of ['SIGINT', 'SIGTERM']) process.on(signal, () => server.kill(signal));
server.on('exit', (code) => process.exit(code ?? 0));

let isReady = false;
const waiting = setInterval(async () => {
  const answer = await fetch(`http://${host === '0.0.0.0' ? '127.0.0.1' : host}:${port}/people`).catch(() => null);
  // The one before may have been answered late: it is told once.
  if (!answer?.ok || isReady) return;
  isReady = true;
  clearInterval(waiting);
  process.stdout.write(`\nCalm Reach is ready: ${origin}\nStop it with Ctrl+C.\n`);
}, 300);

/** Whether nobody listens there yet: else the answer of another program would be taken for ours. */
function isFree() {
  return new Promise((answer) => {
    const probe = createServer();
    probe.once('error', ({ code }) => answer(code !== 'EADDRINUSE')); // any other trouble the server tells itself
    probe.listen(Number(port), host, () => probe.close(() => answer(true)));
  });
}
