// What the trials share: studios of their own in throwaway directories, forms sent to them, rows read from them when they are closed.
import { PGlite } from '@electric-sql/pglite';
import { spawn } from 'node:child_process';
import { cpSync, mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { setTimeout as wait } from 'node:timers/promises';
import { untilFilled } from '../browser.mjs';
import { bodySizeLimit } from '../setUp.mjs';

const ends = [];
process.on('exit', () => ends.toReversed().forEach((end) => end()));

/** What is undone when the process ends, the last first. */
export const atTheEnd = (end) => void ends.push(end);

/** A directory that goes with the process. */
export function throwaway(name) {
  const place = mkdtempSync(join(tmpdir(), `calm-reach-${name}-`));
  atTheEnd(() => rmSync(place, { recursive: true, force: true }));
  return place;
}

/**
 * Starts a studio. `before` is what stands before the command, as a room of process numbers of its own. Answers when its first page does, or,
 * with `until` null, at once.
 */
export async function startStudio(dataDir, port, { env = {}, before = [], until = (answer) => answer.ok } = {}) {
  const origin = `http://localhost:${port}`;
  const [command, ...args] = [...before, process.execPath, 'build'];
  const settings = {
    PORT: String(port),
    HOST: '127.0.0.1',
    ORIGIN: origin,
    BODY_SIZE_LIMIT: bodySizeLimit,
    SHUTDOWN_TIMEOUT: '1'
  };
  const child = spawn(command, args, {
    env: { ...process.env, ...settings, DATA_DIR: dataDir, DATABASE_URL: '', CALM_REACH_DEMO: '', ...env },
    stdio: ['ignore', 'pipe', 'pipe']
  });
  atTheEnd(() => child.kill('SIGKILL'));
  let said = '';
  for (const stream of [child.stdout, child.stderr]) stream.on('data', (data) => (said += data));
  const ended = new Promise((resolve) => child.once('exit', resolve));
  const end = (signal) => {
    child.kill(signal);
    return ended;
  };
  const studio = { origin, child, ended, said: () => said, stop: () => end('SIGTERM'), kill: () => end('SIGKILL') };
  while (until) {
    const answer = await fetch(`${origin}/people`).catch(() => null);
    if (answer && until(answer)) break;
    if (child.exitCode !== null) throw new Error(`the studio ended before its first page: ${said}`);
    await wait(100);
  }
  if (env.CALM_REACH_DEMO) await untilFilled(origin);
  return studio;
}

/** A copy of a studio that is filled with the demo; TRIALS_DEMO names one that is filled already. */
export async function demoStudio(name, port) {
  const place = throwaway(name);
  if (process.env.TRIALS_DEMO) cpSync(process.env.TRIALS_DEMO, place, { recursive: true });
  await (await startStudio(place, port, { env: { CALM_REACH_DEMO: '1' } })).stop();
  return place;
}

/** Sends a form as the page does; gives what came of it, or null where nobody answered. */
export async function sendForm(origin, path, fields) {
  const body = new URLSearchParams();
  for (const [name, value] of Object.entries(fields)) for (const one of [value].flat()) body.append(name, one);
  const headers = { origin, accept: 'application/json', 'x-sveltekit-action': 'true' };
  const answer = await fetch(origin + path, { method: 'POST', headers, body }).catch(() => null);
  return answer && (await answer.json().catch(() => null));
}

/** Rows of a closed studio. */
export async function readRows(dataDir, queries) {
  const db = await PGlite.create({ dataDir: join(dataDir, 'database') });
  const rows = {};
  for (const [name, sql] of Object.entries(queries)) rows[name] = (await db.query(sql)).rows;
  await db.close();
  return rows;
}

/** Of the clock on the wall. */
export const today = () => {
  const now = new Date();
  return new Date(now.getTime() - now.getTimezoneOffset() * 60_000).toISOString().slice(0, 10);
};

/** The figures of a trial, and whether it holds. */
export function tell(figures, holds) {
  process.stdout.write(`${JSON.stringify({ ...figures, holds })}\n`);
  process.exitCode = holds ? 0 : 1;
}
