// Everything a change is held against, from a fresh clone: install, format, lint, types, unused code, unit and database tests, browser tests.
import { execFileSync, spawn, spawnSync } from 'node:child_process';
import { mkdirSync, readFileSync } from 'node:fs';
import { join } from 'node:path';
import { chromiumPath } from './chromium.mjs';
import { ensureBuilt, ensureInstalled } from './setUp.mjs';

const say = (text) => process.stdout.write(`${text}\n`);
const bin = (name) => join('node_modules', '.bin', name);
const counts = { passed: 0, failed: 0 };

function step(name, command, args) {
  say(`\n── ${name}`);
  spawnSync(command, args, { stdio: 'inherit' });
}

/** Checks that pass or fail as a whole, one after the other; what each says comes with its name, once it is through. */
async function checks(...all) {
  for (const [name, command, args] of all) {
    const said = [];
    const child = spawn(command, args, { stdio: ['ignore', 'pipe', 'pipe'] });
    for (const stream of [child.stdout, child.stderr]) stream.on('data', (chunk) => said.push(chunk));
    const status = await new Promise((done) => child.on('close', done).on('error', done));
    counts[status === 0 ? 'passed' : 'failed']++;
    say(`\n── ${name}\n${Buffer.concat(said).toString()}`);
  }
}

const hasChromium = () => chromiumPath() !== undefined;

/** Installs Debian's browser where that is allowed; else says what to do. */
function ensureChromium() {
  if (hasChromium()) return true;
  const isRoot = process.getuid?.() === 0;
  const sudo = !isRoot && spawnSync('sudo', ['-n', 'true'], { stdio: 'ignore' }).status === 0;
  if (isRoot || sudo) {
    say('Installing Chromium …');
    const run = (args) =>
      execFileSync(isRoot ? args[0] : 'sudo', isRoot ? args.slice(1) : args, { stdio: ['ignore', 'ignore', 'inherit'] });
    try {
      run(['apt-get', 'update', '-q']);
      run(['apt-get', 'install', '-y', '-q', 'chromium']);
    } catch {
      // told below
    }
  }
  if (hasChromium()) return true;
  say('The browser tests need Chromium: install the package "chromium" (apt-get install chromium) and run npm test again.');
  return false;
}

ensureInstalled();
mkdirSync('test-results', { recursive: true });
execFileSync(bin('svelte-kit'), ['sync'], { stdio: 'inherit' });

// The types take as long as all the others together: both at once suit two cores.
await Promise.all([
  checks(['types', bin('svelte-check'), ['--tsconfig', './tsconfig.json', '--fail-on-warnings', '--output', 'human']]),
  checks(
    ['format', bin('prettier'), ['--check', '--log-level', 'warn', '.']],
    ['lint', bin('eslint'), ['.', '--max-warnings', '0']],
    ['types of the service worker', bin('tsc'), ['-p', 'tsconfig.worker.json']],
    ['unused code', bin('knip'), []],
    ['third-party notices', process.execPath, ['scripts/notices.mjs', '--check']]
  )
]);

step('unit and database tests', bin('vitest'), [
  'run',
  '--reporter=default',
  '--reporter=json',
  '--outputFile=test-results/unit.json'
]);
const unit = readReport('test-results/unit.json', (r) => ({
  passed: r.numPassedTests,
  failed: r.numFailedTests + r.numFailedTestSuites * (r.numTotalTests === 0 ? 1 : 0)
}));

let browser = { passed: 0, failed: 1 };
if (ensureChromium()) {
  ensureBuilt();
  step('browser tests', bin('playwright'), ['test']);
  browser = readReport('test-results/report.json', ({ stats }) => ({
    passed: stats.expected + stats.flaky,
    failed: stats.unexpected
  }));
}

/** A report that is missing or unreadable counts as a failure. */
function readReport(path, read) {
  try {
    return read(JSON.parse(readFileSync(path, 'utf8')));
  } catch {
    return { passed: 0, failed: 1 };
  }
}

const passed = counts.passed + unit.passed + browser.passed;
const failed = counts.failed + unit.failed + browser.failed;
say(`\n${passed} passed, ${failed} failed`);
process.exit(failed === 0 ? 0 : 1);
