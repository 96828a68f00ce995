// Everything a change is held against, from a fresh clone: install, format, lint, types, unused code, unit and database tests, browser tests.
import { execFileSync, spawnSync } from 'node:child_process';
import { mkdirSync, readFileSync } from 'node:fs';
import { join } from 'node:path';
import { chromiumPath } from './chromium.mjs';
import { ensureBuilt, ensureInstalled } from './setUp.mjs';

const say = (text) => process.stdout.write(`${text}\n`);
const bin = (name) => join('node_modules', '.bin', name);
const counts = { passed: 0, failed: 0 };

function step(name, command, args, env = {}) {
  say(`\n── ${name}`);
  const { status } = spawnSync(command, args, { stdio: 'inherit', env: { ...process.env, ...env } });
  return status === 0;
}

/** A check that passes or fails as a whole. */
function check(name, command, args) {
  counts[step(name, command, args) ? 'passed' : 'failed']++;
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

check('format', bin('prettier'), ['--check', '--log-level', 'warn', '.']);
check('lint', bin('eslint'), ['.', '--max-warnings', '0']);
check('types', bin('svelte-check'), ['--tsconfig', './tsconfig.json', '--fail-on-warnings', '--output', 'human']);
check('types of the service worker', bin('tsc'), ['-p', 'tsconfig.worker.json']);
check('unused code', bin('knip'), []);
check('third-party notices', process.execPath, ['scripts/notices.mjs', '--check']);

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
