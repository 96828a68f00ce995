// What every command needs first: packages, and a build that is not older than the sources.
import { execFileSync } from 'node:child_process';
import { existsSync, readdirSync, statSync } from 'node:fs';
import { join } from 'node:path';

const npm = process.platform === 'win32' ? 'npm.cmd' : 'npm';
const say = (text) => process.stdout.write(`${text}\n`);
const run = (command, args) => execFileSync(command, args, { stdio: 'inherit', shell: process.platform === 'win32' });

/** Installs from the lock file when nothing is installed, or the lock file changed since. */
export function ensureInstalled() {
  const marker = 'node_modules/.package-lock.json';
  if (existsSync(marker) && statSync(marker).mtimeMs >= statSync('package-lock.json').mtimeMs) return;
  say('Installing packages: once, about a minute …');
  run(npm, ['ci', '--no-audit', '--no-fund', '--include=dev']);
}

/** Builds when there is no build, or a source is newer. */
export function ensureBuilt() {
  const built = existsSync('build/index.js') ? statSync('build/index.js').mtimeMs : 0;
  const sources = ['src', 'static', 'package.json', 'svelte.config.js', 'vite.config.ts'];
  if (built > Math.max(...sources.map(newestMs))) return;
  say('Building the application: about a minute …');
  run(process.execPath, ['node_modules/vite/bin/vite.js', 'build', '--logLevel', 'error']);
}

function newestMs(path) {
  const stat = statSync(path);
  if (!stat.isDirectory()) return stat.mtimeMs;
  return Math.max(0, ...readdirSync(path).map((name) => newestMs(join(path, name))));
}

/** The most that a request may carry: a kept picture has 4 MB at most, and its points come beside it. */
export const bodySizeLimit = '6M';
