// Everything a change is held against, from a fresh clone: install, format, lint, types, unused code, a first start, unit and database
// tests, browser tests.
import { execFileSync, spawn, spawnSync } from 'node:child_process';
import { mkdirSync, readFileSync } from 'node:fs';
import { join, relative } from 'node:path';
import { chromiumPath } from './chromium.mjs';
import { ensureInstalled, ensureTypes } from './setUp.mjs';

const began = performance.now();
const say = (text) => process.stdout.write(`${text}\n`);
const bin = (name) => join('node_modules', '.bin', name);
const node = (...args) => [process.execPath, args];
const counts = { passed: 0, failed: 0 };
/** Every file or check that took its time, in seconds. */
const took = [];

/** Runs a command to its end; what it prints comes with its name, once it is through. */
async function run(name, command, args) {
  const start = performance.now();
  const printed = [];
  const child = spawn(command, args, { stdio: ['ignore', 'pipe', 'pipe'] });
  for (const stream of [child.stdout, child.stderr]) stream.on('data', (chunk) => printed.push(chunk));
  const status = await new Promise((done) => child.on('close', done).on('error', done));
  const seconds = (performance.now() - start) / 1000;
  say(`\n── ${name}, ${Math.round(seconds)} s\n${Buffer.concat(printed).toString()}`);
  return { isPassed: status === 0, seconds };
}

/** A check passes or fails as a whole. */
async function check(name, [command, args]) {
  const { isPassed, seconds } = await run(name, command, args);
  counts[isPassed ? 'passed' : 'failed']++;
  took.push({ name, seconds });
}

async function unitTests() {
  const report = 'test-results/unit.json';
  await run('unit and database tests', bin('vitest'), ['run', '--reporter=dot', '--reporter=json', `--outputFile=${report}`]);
  count(report, (r) => {
    for (const { name, startTime, endTime } of r.testResults)
      took.push({ name: relative('.', name), seconds: (endTime - startTime) / 1000 });
    return { passed: r.numPassedTests, failed: r.numFailedTests + (r.success || r.numFailedTests > 0 ? 0 : 1) };
  });
}

async function browserTests() {
  await run('browser tests', bin('playwright'), ['test']);
  count('test-results/report.json', ({ stats, suites, errors }) => {
    for (const suite of suites) took.push({ name: `tests/e2e/${suite.file}`, seconds: secondsOf(suite) });
    return { passed: stats.expected + stats.flaky, failed: stats.unexpected + stats.skipped + errors.length };
  });
}

const secondsOf = ({ suites = [], specs = [] }) =>
  suites.reduce((sum, s) => sum + secondsOf(s), 0) +
  specs.flatMap((s) => s.tests.flatMap((t) => t.results)).reduce((sum, r) => sum + r.duration / 1000, 0);

/** A report that is missing or unreadable counts as a failure. */
function count(path, read) {
  let tally;
  try {
    tally = read(JSON.parse(readFileSync(path, 'utf8')));
  } catch {
    tally = { passed: 0, failed: 1 };
  }
  counts.passed += tally.passed;
  counts.failed += tally.failed;
}

/** Installs Debian's browser where that is allowed; else says what to do. */
function ensureChromium() {
  if (chromiumPath()) return true;
  const isRoot = process.getuid?.() === 0;
  const sudo = !isRoot && spawnSync('sudo', ['-n', 'true'], { stdio: 'ignore' }).status === 0;
  if (isRoot || sudo) {
    say('Installing Chromium …');
    const apt = (args) =>
      execFileSync(isRoot ? args[0] : 'sudo', isRoot ? args.slice(1) : args, { stdio: ['ignore', 'ignore', 'inherit'] });
    try {
      apt(['apt-get', 'update', '-q']);
      apt(['apt-get', 'install', '-y', '-q', 'chromium']);
    } catch {
      // said below
    }
  }
  if (chromiumPath()) return true;
  say('The browser tests need Chromium: install the package "chromium" (apt-get install chromium) and run npm test again.');
  return false;
}

ensureInstalled();
ensureTypes();
mkdirSync('test-results', { recursive: true });
const hasChromium = ensureChromium();

// What needs no browser keeps both cores busy at once; the browser tests come last and have them to themselves.
await Promise.all([
  unitTests(),
  (async () => {
    await check('first start of the demo', node('scripts/firstStart.mjs'));
    await check('studio for the browser tests', node('scripts/fillTestStudio.mjs'));
    await check('types', [bin('svelte-check'), ['--tsconfig', './tsconfig.json', '--fail-on-warnings', '--output', 'human']]);
    await check('types of the service worker', [bin('tsc'), ['-p', 'tsconfig.worker.json']]);
    await check('lint', [bin('eslint'), ['.', '--max-warnings', '0']]);
    await check('format', [bin('prettier'), ['--check', '--log-level', 'warn', '.']]);
    await check('unused code', [bin('knip'), []]);
    await check('third-party notices', node('scripts/notices.mjs', '--check'));
  })()
]);
if (hasChromium) await browserTests();
else counts.failed++;

say('\n── The slowest twenty files and checks');
for (const { name, seconds } of took.toSorted((a, b) => b.seconds - a.seconds).slice(0, 20))
  say(`${seconds.toFixed(1).padStart(7)} s  ${name}`);
const lastRun = /\| the whole run +\| (\d+) s/.exec(readFileSync('docs/benchmarks.md', 'utf8'));
const beside = lastRun ? `; the last one in docs/benchmarks.md took ${lastRun[1]} s` : '';
say(`\nThe whole run took ${Math.round((performance.now() - began) / 1000)} s${beside}.`);
say(`\n${counts.passed} passed, ${counts.failed} failed`);
process.exit(counts.failed === 0 ? 0 : 1);
