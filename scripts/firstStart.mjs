// The first thing anybody types, as they type it: the demo's own command in a clean checkout, from nothing to every station of a person.
import { spawn } from 'node:child_process';
import { cpSync, existsSync, mkdtempSync, readFileSync, rmSync, symlinkSync } from 'node:fs';
import { createServer } from 'node:net';
import { tmpdir } from 'node:os';
import { basename, join, resolve } from 'node:path';
import { createInterface } from 'node:readline';
import { setTimeout as wait } from 'node:timers/promises';

const stations = ['check', 'measure', 'read', 'grade', 'plan', 'practise', 'review'];
/** Nothing is timed by this: it only ends a wait for what never comes. */
const longestWaitMs = 10 * 60_000;

/**
 * Starts the demo in a clean copy, with the packages that are installed here; waits until it is filled.
 * Returns what went wrong, and the seconds until the first page and until everybody was there. `keep` gets the directory before it goes.
 */
export async function firstStart(keep = () => undefined) {
  const dir = mkdtempSync(join(tmpdir(), 'calm-reach-first-'));
  checkOut(dir);
  const faults = [];
  const port = await freePort();
  const began = performance.now();
  const seconds = () => Math.round((performance.now() - began) / 100) / 10;
  const command = spawn('npm', ['run', '--silent', 'demo'], {
    cwd: dir,
    detached: true, // a group of its own, which is ended as by Ctrl+C
    stdio: ['ignore', 'pipe', 'pipe'],
    env: { ...bareEnv(), PORT: String(port) }
  });
  let isOver = false;
  const ended = new Promise((done) => command.once('exit', done)).then(() => (isOver = true));
  createInterface({ input: command.stdout }).on('line', (line) => isFault(line) && faults.push(line));
  createInterface({ input: command.stderr }).on('line', (line) => /^npm (warn|notice)/.test(line) || faults.push(line));
  const page = async (path) => {
    const answer = await fetch(`http://127.0.0.1:${port}${path}`).catch(() => null);
    return answer && { status: answer.status, html: await answer.text() };
  };
  const until = async (isThere) => {
    while (!isOver && performance.now() - began < longestWaitMs) {
      const people = await page('/people');
      if (people?.status === 200 && isThere(people.html)) return people.html;
      await wait(100);
    }
    faults.push('the demo did not come as far as it should');
    return '';
  };

  const people = await until((html) => /href="\/people\/\d+"/.test(html));
  const openS = seconds();
  const [person] = /\/people\/\d+/.exec(people) ?? [];
  if (person)
    for (const station of stations) {
      const answer = await page(`${person}/${station}`);
      if (answer?.status !== 200) faults.push(`${station} answered ${answer?.status}`);
    }
  await until((html) => !html.includes('Filling the demo'));
  const wholeS = seconds();
  if (!isOver) process.kill(-command.pid, 'SIGINT');
  await ended;
  keep(dir);
  rmSync(dir, { recursive: true, force: true });
  return { faults, openS, wholeS };
}

/** The environment without any setting of the application: what somebody has who just cloned it. */
function bareEnv() {
  const ours = ['PORT', 'HOST', 'ORIGIN', 'CALM_REACH_HOSTS', 'DATA_DIR', 'DATABASE_URL'];
  return Object.fromEntries(Object.entries(process.env).filter(([name]) => !ours.includes(name)));
}

const isFault = (line) => /error|exception|^\s+at .+:\d+|could not/i.test(line);

/** Copies everything but what git ignores, so that a change counts before it is committed; the packages that are installed here do for both. */
function checkOut(dir) {
  const ignored = new Set(['.git', ...readFileSync('.gitignore', 'utf8').split('\n').filter(Boolean)]);
  cpSync('.', dir, { recursive: true, filter: (path) => !ignored.has(basename(path)) });
  symlinkSync(resolve('node_modules'), join(dir, 'node_modules'));
}

const freePort = () =>
  new Promise((done) => {
    const probe = createServer();
    probe.listen(0, '127.0.0.1', () => {
      const { port } = probe.address();
      probe.close(() => done(port));
    });
  });

// By itself, as part of npm test: the build and the filled demo are what the browser tests use.
if (process.argv[1] === import.meta.filename) {
  const { faults, openS, wholeS } = await firstStart((dir) => {
    for (const [from, to] of [
      ['build', 'build'],
      ['data/demo', 'data/tests/demo']
    ]) {
      if (!existsSync(join(dir, from))) continue;
      rmSync(to, { recursive: true, force: true });
      cpSync(join(dir, from), to, { recursive: true });
    }
  });
  process.stdout.write(`open after ${openS} s, everybody there after ${wholeS} s\n${faults.join('\n')}\n`);
  process.exit(faults.length === 0 ? 0 : 1);
}
