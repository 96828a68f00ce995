// What every command needs first: packages, the types SvelteKit generates, and a build that is not older than the sources.
import { execFileSync, spawn } from 'node:child_process';
import { existsSync, readdirSync, readFileSync, statSync } from 'node:fs';
import { join } from 'node:path';

const npm = process.platform === 'win32' ? 'npm.cmd' : 'npm';
const say = (text) => process.stdout.write(`${text}\n`);
const run = (command, args) => execFileSync(command, args, { stdio: 'inherit', shell: process.platform === 'win32' });

/** Installs from the lock file, unless everything it asks for is there already. */
export function ensureInstalled() {
  if (isInstalled()) return;
  say('Installing packages: once, about half a minute …');
  run(npm, ['ci', '--no-audit', '--no-fund', '--include=dev', '--loglevel=error']);
}

/** Compares by content, not by time: in a fresh clone every file is newer than packages that were put there for it. */
function isInstalled() {
  if (!existsSync('node_modules/.package-lock.json')) return false;
  const packagesIn = (path) => JSON.parse(readFileSync(path, 'utf8')).packages;
  const installed = packagesIn('node_modules/.package-lock.json');
  return Object.entries(packagesIn('package-lock.json')).every(([path, { optional, integrity }]) =>
    // The root entry is the project itself; optional packages are those of other machines.
    path === '' ? true : installed[path] ? installed[path].integrity === integrity : optional === true
  );
}

/** Generates the files that tsconfig.json extends. Nothing that reads TypeScript may run before, or beside it. */
export function ensureTypes() {
  if (!existsSync('.svelte-kit/tsconfig.json')) run(process.execPath, ['node_modules/@sveltejs/kit/svelte-kit.js', 'sync']);
}

/** True when there is no build, or a source is newer than it. */
export function needsBuild() {
  const builtMs = existsSync('build/index.js') ? statSync('build/index.js').mtimeMs : 0;
  const sources = ['src', 'static', 'package.json', 'svelte.config.js', 'vite.config.ts'];
  return builtMs <= Math.max(...sources.map(newestMs));
}

/** Builds; what the build prints is shown only where it fails, which ends the process. */
export async function build() {
  say('Building the application: about half a minute …');
  const child = spawn(process.execPath, ['node_modules/vite/bin/vite.js', 'build', '--logLevel', 'error'], {
    stdio: ['ignore', 'pipe', 'pipe']
  });
  const printed = [];
  for (const stream of [child.stdout, child.stderr]) stream.on('data', (chunk) => printed.push(chunk));
  const code = await new Promise((done) => child.on('close', done).on('error', done));
  if (code === 0) return;
  process.stderr.write(Buffer.concat(printed));
  process.stderr.write('The application could not be built.\n');
  process.exit(1);
}

/** Builds when a build is needed. */
export async function ensureBuilt() {
  if (needsBuild()) await build();
}

function newestMs(path) {
  const stat = statSync(path);
  if (!stat.isDirectory()) return stat.mtimeMs;
  return Math.max(0, ...readdirSync(path).map((name) => newestMs(join(path, name))));
}

/** The most that a request may carry: a kept picture has 4 MB at most, and its points come beside it. */
export const bodySizeLimit = '6M';
