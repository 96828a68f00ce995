// Prints figures and asserts nothing. How they are taken stands in docs/benchmarks.md. Long because it is one run over one demo, a figure after the other.
import { mkdtempSync, readdirSync, readFileSync, rmSync, statSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { gzipSync } from 'node:zlib';
import { createServer } from 'vite';
import { benchForecast } from './benchForecast.mjs';
import { benchHistory } from './benchHistory.mjs';
import { benchPlan } from './benchPlan.mjs';
import { benchPlayer } from './benchPlayer.mjs';
import { launchBrowser, startDemo } from './browser.mjs';
import { benchStatements } from './benchStatements.mjs';
import { benchStudy } from './benchStudy.mjs';
import { firstStart } from './firstStart.mjs';
import { ensureBuilt, ensureInstalled } from './setUp.mjs';

ensureInstalled();
await ensureBuilt();
const say = (name, value) => process.stdout.write(`${name.padEnd(58)} ${value}\n`);
const ms = (value) => `${value.toFixed(value < 10 ? 2 : 0)} ms`;
const median = (values) => values.toSorted((a, b) => a - b)[Math.floor(values.length / 2)];
const timed = (run, times) =>
  median(
    Array.from({ length: times }, () => {
      const began = performance.now();
      run();
      return performance.now() - began;
    })
  );

const vite = await createServer({ server: { middlewareMode: true }, appType: 'custom', logLevel: 'error' });
const core = await vite.ssrLoadModule('/src/lib/core/index.ts');
const face = (heightCm, widthCm, depthCm, carries = true) => ({ heightCm, widthCm, depthCm, carries });
const shelf = Array.from({ length: 20 }, (_, i) => ({
  id: `p${i}`,
  name: `prop ${i}`,
  quantity: 2,
  softShare: i % 5 === 0 ? 0.2 : 0,
  faces: i % 5 === 0 ? [face(3 + i / 4, 26, 17)] : [face(2 + i / 3, 24, 16), face(9 + i / 3, 24, 14), face(22, 16, 10, false)]
}));
// Thirty props in twenty kinds, needed twice at once: a pair for both hands.
const wide = Array.from({ length: 20 }, (_, i) => ({ ...shelf[i], quantity: i < 10 ? 2 : 1 }));
const twice = wide.map((p) => ({ ...p, quantity: 2 * p.quantity }));
say('stacks of a shelf of 30 props in 20 kinds', ms(timed(() => core.searchStacks(wide), 5)));
say('the same for both hands, every prop twice', ms(timed(() => core.searchStacks(twice, { pairs: 2 }), 5)));
const handUse = { under: 'hands', pairs: 2, higherIs: 'easier', bears: 'light' };
say('ladder over it, both hands', ms(timed(() => core.ladder({ fromCm: 40, toCm: 0, shelf: twice, use: handUse }), 5)));
const catalogue = Array.from({ length: 300 }, (_, i) => {
  const e = core.exercises[i % core.exercises.length];
  return { ...e, id: `${e.id}_${i}`, name: `${e.name} ${i}` };
});
const indexed = performance.now();
core.findExercises(catalogue, { text: 'pigeon' });
say('library of 300 exercises, first search with its index', ms(performance.now() - indexed));
say(
  'library search, two words with a slip',
  ms(timed(() => core.findExercises(catalogue, { text: 'pigoen forwrd', link: 'HER90' }), 50))
);
const rungs = core.ladder({ fromCm: 20, toCm: 0, shelf }).steps;
const setting = { depthCm: 20, holdS: 40 };
const { weekFor } = await vite.ssrLoadModule('/src/lib/core/testing/week.ts');
const ask = {
  week: weekFor({
    settings: { front_split_on_stack: { left: setting, right: setting } },
    rungs: { left: rungs, right: rungs },
    measuredCm: { left: 20, right: 20 }
  }),
  level: 'other',
  leadSide: 'left',
  weakerSide: null,
  limiting: [],
  breathS: 8,
  person: (await vite.ssrLoadModule('/src/lib/core/testing/person.ts')).somebody(),
  today: '2026-01-05'
};
const session = core.fittedSession({ ...ask, phase: 'open', easy: false, light: false, minutes: 60 });
say('compile of a 60-minute session', ms(timed(() => core.compileSession(session.blocks), 50)));
// Forty blocks of some two minutes each, as an editor has them: the total after every change.
const forty = Array.from({ length: 40 }, (_, i) => ({ ...session.blocks[1 + (i % 5)], baseSets: 1 }));
say(
  'compile of 40 blocks in their order',
  ms(timed(() => core.timelineOf({ blocks: forty, options: { order: 'as given' } }), 50))
);
say(
  'the session editor, a change to its new total, cut to 45 minutes',
  ms(timed(() => core.arrangedSession(session.blocks, core.usualArrangement(session.blocks, 45), 60), 50))
);
say('ladder on a 20-prop shelf', ms(timed(() => core.ladder({ fromCm: 30, toCm: -10, shelf }), 7)));
await benchPlan(core, { say, load: (path) => vite.ssrLoadModule(path) });
await benchStudy(core, { say, load: (path) => vite.ssrLoadModule(path) });
benchForecast(core, { say, ms, timed });
benchStatements(core, { say });
await benchHistory(core, { say, load: (path) => vite.ssrLoadModule(path) });

// An instrument read as the page does it, two hundred times: when it locks after the limb began to move, and how far off.
const readings = Array.from({ length: 200 }, (_, seed) => {
  let kept = [];
  for (const sample of core.simulateAngles({ restDeg: 84, startDeg: 49, seed })) {
    kept = core.withSample(kept, sample);
    const { state, restDeg } = core.steadiness(kept, sample.tMs);
    if (state === 'steady' || sample.tMs > 30_000) return { tMs: sample.tMs, error: restDeg - 84 };
  }
});
const bySize = (values) => values.toSorted((a, b) => a - b);
const times = bySize(readings.map((r) => r.tMs));
const errors = readings.map((r) => r.error);
const rms = Math.sqrt(errors.reduce((sum, e) => sum + e * e, 0) / errors.length);
say('instrument steady after, median and 95 of 100', `${(times[100] / 1000).toFixed(1)} s, ${(times[190] / 1000).toFixed(1)} s`);
say(
  'instrument error over 200 readings, root mean square',
  `${rms.toFixed(2)}°, largest ${Math.max(...errors.map(Math.abs)).toFixed(1)}°`
);
const body = { statureCm: 170, leftLegCm: 89, rightLegCm: 90 };
let value = 0;
const redraw = (pose, top) => () => {
  value = (value + 0.7) % top;
  return core.poseFigure(pose, { side: 'left', value }, body).limbs.map(core.limbOutline);
};
for (const [pose, top] of [
  ['front split', 40],
  ['side split', 40],
  ['standing fold', 40]
])
  say(`figure and outlines, ${pose}`, ms(timed(redraw(pose, top), 200)));
await vite.close();

const dataDir = mkdtempSync(join(tmpdir(), 'calm-reach-bench-'));
const starts = [];
for (let i = 0; i < 3; i++) starts.push(await firstStart());
const medianS = (key) => `${median(starts.map((s) => s[key])).toFixed(0)} s`;
say('first start in a clean checkout, packages there: open, everybody in it', `${medianS('openS')}, ${medianS('wholeS')}`);
await (await startDemo(dataDir, 5197)).stop();
const { origin, firstPageMs, stop } = await startDemo(dataDir, 5197);
say('cold start to first page, data there', ms(firstPageMs));

const browser = await launchBrowser();
const page = await (await browser.newContext({ baseURL: origin, viewport: { width: 1280, height: 800 } })).newPage();
await page.goto('/people');
const hrefOf = (name) => page.getByRole('link', { name }).getAttribute('href');
const [ilka, oda, osric] = [await hrefOf('Ilka Sundt'), await hrefOf('Oda Venn'), await hrefOf('Osric Vane')];
const corvin = await hrefOf('Corvin Haddle');

async function loadMs(path) {
  const times = [];
  for (let i = 0; i < 5; i++) {
    const began = performance.now();
    await page.goto(path, { waitUntil: 'load' });
    times.push(performance.now() - began);
  }
  return median(times);
}
say('client page with a year of logs (plan)', ms(await loadMs(`${ilka}/plan`)));
say('client page with a year of logs (review)', ms(await loadMs(`${ilka}/review`)));
say('grade page', ms(await loadMs(`${oda}/grade`)));
say('library page', ms(await loadMs('/library')));
say('props page, advice streamed after it', ms(await loadMs('/props')));

const sizes = new Map(
  readdirSync('build/client/_app/immutable', { recursive: true, encoding: 'utf8' })
    .filter((f) => f.endsWith('.js') && statSync(join('build/client/_app/immutable', f)).isFile())
    .map((f) => [f.split('/').at(-1), gzipSync(readFileSync(join('build/client/_app/immutable', f))).length])
);
async function scriptKb(visit) {
  const context = await browser.newContext({ baseURL: origin });
  const fresh = await context.newPage();
  let bytes = 0;
  fresh.on('response', (r) => (bytes += sizes.get(new URL(r.url()).pathname.split('/').at(-1)) ?? 0));
  await visit(fresh);
  await fresh.waitForLoadState('networkidle');
  await context.close();
  return `${(bytes / 1024).toFixed(0)} kB gzip`;
}
say('client JavaScript of the first page', await scriptKb((p) => p.goto('/people')));

// From the arrival of a sample to the picture with its needle.
const instrumentPage = await (await browser.newContext({ baseURL: origin, viewport: { width: 1280, height: 800 } })).newPage();
await instrumentPage.addInitScript(() => {
  const Plain = window.EventSource;
  window.EventSource = class extends Plain {
    set onmessage(hear) {
      super.onmessage = (event) => {
        window.heardAt ??= performance.now();
        hear(event);
      };
    }
  };
});
await instrumentPage.goto(`${oda}/measure?set=full&m=HF-KS`);
await instrumentPage.waitForLoadState('networkidle');
await instrumentPage.getByRole('radio', { name: 'Inclinometer' }).click();
await instrumentPage.getByRole('button', { name: 'Try the simulated one' }).click();
await instrumentPage.locator('path[transform^=rotate]').waitFor();
const latencies = await instrumentPage.evaluate(
  () =>
    new Promise((resolve) => {
      const seen = [];
      new MutationObserver(() => {
        const { heardAt } = window;
        if (heardAt === undefined) return;
        window.heardAt = undefined;
        requestAnimationFrame(() => setTimeout(() => seen.push(performance.now() - heardAt)));
      }).observe(document.querySelector('path[transform^=rotate]'), { attributes: true });
      setTimeout(() => resolve(seen), 3000);
    })
);
const sorted = bySize(latencies);
say(
  'needle, from sample to screen, median and 95 of 100',
  `${ms(sorted[Math.floor(sorted.length / 2)])}, ${ms(sorted[Math.floor(sorted.length * 0.95)])}`
);

// A picture of 12 million picture elements: how long until it can be worked on, and the longest time nothing else could happen.
await instrumentPage.goto(`${oda}/measure?set=full&m=HF-KS`);
await instrumentPage.waitForLoadState('networkidle');
await instrumentPage
  .locator('label')
  .filter({ hasText: /^\s*Photo\s*$/ })
  .click();
await instrumentPage.getByRole('button', { name: 'Read from a photo' }).click();
const large = await instrumentPage.evaluate(async () => {
  const canvas = new OffscreenCanvas(4000, 3000);
  const ink = canvas.getContext('2d');
  for (let i = 0; i < 4000; i++) {
    ink.fillStyle = `hsl(${(i * 37) % 360} 60% ${30 + (i % 50)}%)`;
    ink.fillRect((i * 97) % 4000, (i * 61) % 3000, 90, 70);
  }
  return [...new Uint8Array(await (await canvas.convertToBlob({ type: 'image/jpeg', quality: 0.9 })).arrayBuffer())];
});
const file = join(dataDir, 'large.jpg');
writeFileSync(file, Buffer.from(large));
await instrumentPage.evaluate(() => {
  window.longest = 0;
  let last = performance.now();
  const tick = () => {
    const now = performance.now();
    window.longest = Math.max(window.longest, now - last);
    last = now;
    setTimeout(tick, 0);
  };
  tick();
});
const opened = performance.now();
await instrumentPage.getByLabel('Choose a picture or film').setInputFiles(file);
await instrumentPage.getByRole('application').waitFor();
say(
  `picture of 12 megapixels (${(large.length / 1e6).toFixed(1)} MB) opened, longest stall`,
  `${ms(performance.now() - opened)}, ${ms(await instrumentPage.evaluate(() => window.longest))}`
);

// What if: forty steps of one link, the figure drawn anew for each.

await instrumentPage.goto(`${osric}/read`);
await instrumentPage.waitForLoadState('networkidle');
await instrumentPage.evaluate(() => {
  window.frames_ = [];
  let last = performance.now();
  const tick = () => {
    const now = performance.now();
    window.frames_.push(now - last);
    last = now;
    requestAnimationFrame(tick);
  };
  requestAnimationFrame(tick);
});
const slider = instrumentPage.getByRole('slider').first();
await slider.focus();
for (let i = 0; i < 40; i++) await slider.press('ArrowRight');
const frames = bySize(await instrumentPage.evaluate(() => window.frames_));
say(
  'what-if by keys, frame, median and 99 of 100',
  `${ms(frames[Math.floor(frames.length / 2)])}, ${ms(frames[Math.floor(frames.length * 0.99)])}`
);

await benchPlayer({ browser, page, origin, oda, corvin, say, ms, bySize, scriptKb });

await browser.close();
await stop();
rmSync(dataDir, { recursive: true, force: true });
