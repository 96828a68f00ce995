// The browser as the tests use it, and a server of its own for scripts that look at the application.
import { spawn } from 'node:child_process';
import { chromium } from '@playwright/test';
import { chromiumArgs, chromiumPath } from './chromium.mjs';
import { bodySizeLimit } from './setUp.mjs';

export const launchBrowser = () => chromium.launch({ executablePath: chromiumPath(), args: chromiumArgs });

/** Starts the built application; answers with its address, the milliseconds to its first page, and how to stop it. */
export async function startServer(dataDir, port, more = {}) {
  const origin = `http://localhost:${port}`;
  const env = {
    ...process.env,
    PORT: String(port),
    HOST: '127.0.0.1',
    ORIGIN: origin,
    DATA_DIR: dataDir,
    BODY_SIZE_LIMIT: bodySizeLimit,
    DATABASE_URL: '',
    ...more
  };
  const began = performance.now();
  const server = spawn(process.execPath, ['build'], { env, stdio: 'ignore' });
  for (;;) {
    const answer = await fetch(`${origin}/people`).catch(() => null);
    if (answer?.ok) break;
    if (server.exitCode !== null) throw new Error('the server ended before its first page');
    await new Promise((resolve) => setTimeout(resolve, 50));
  }
  const stop = () =>
    new Promise((resolve) => {
      server.once('exit', resolve);
      server.kill('SIGTERM');
    });
  return { origin, firstPageMs: performance.now() - began, stop };
}

/** The same with demo data, once everybody is there. */
export async function startDemo(dataDir, port) {
  const server = await startServer(dataDir, port, { CALM_REACH_DEMO: '1' });
  await untilFilled(server.origin);
  return server;
}

/** Waits while the server still fills the demo. */
export async function untilFilled(origin) {
  while ((await (await fetch(`${origin}/people`)).text()).includes('Filling the demo'))
    await new Promise((done) => setTimeout(done, 500));
}
