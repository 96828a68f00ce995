// Makes docs/screenshots/figures.png: every position a figure can take, each at two or three of its numbers, on one sheet.
import { mkdirSync } from 'node:fs';
import { createServer } from 'vite';
import { launchBrowser } from './browser.mjs';
import { ensureInstalled } from './setUp.mjs';

ensureInstalled();
const out = process.argv[2] ?? 'docs/screenshots/figures.png';
const only = process.argv[3]?.split(';');
const vite = await createServer({ server: { middlewareMode: true }, appType: 'custom', logLevel: 'error' });
const { poseIds, poses } = await vite.ssrLoadModule('/src/lib/core/index.ts');
const { default: PoseDrawing } = await vite.ssrLoadModule('/src/lib/ui/drawing/PoseDrawing.svelte');
const { render } = await vite.ssrLoadModule('svelte/server');
const css = await vite.transformRequest('/src/app.css?inline', { ssr: true });
const sheet = (await vite.ssrLoadModule('/src/app.css?inline')).default ?? css?.code ?? '';

const body = { statureCm: 170, leftLegCm: 89, rightLegCm: 90 };
const valuesOf = ({ range, usual }) =>
  range[0] === range[1] ? [usual] : [range[0] + (range[1] - range[0]) * 0.08, usual, range[0] + (range[1] - range[0]) * 0.92];
const cells = (only ?? poseIds).flatMap((pose) =>
  valuesOf(poses[pose]).map((value, i) => {
    const side = i === 1 ? 'left' : 'right';
    const { body: html } = render(PoseDrawing, {
      props: { pose, setting: { side, value }, body, label: pose, class: 'h-[120px] w-full' }
    });
    return `<figure>${html}<figcaption>${pose} ${Math.round(value)}</figcaption></figure>`;
  })
);
await vite.close();
mkdirSync('docs/screenshots', { recursive: true });
const browser = await launchBrowser();
const page = await (await browser.newContext({ viewport: { width: only ? 1000 : 1500, height: 800 } })).newPage();
await page.setContent(`<!doctype html><html data-theme="light"><style>${sheet}
  body { margin: 12px; background: var(--color-chalk); display: grid; grid-template-columns: repeat(${only ? 3 : 9}, 1fr); gap: 8px; }
  figcaption { font-size: ${only ? 14 : 11}px; text-align: center; color: var(--color-ink-soft); }
  svg { height: ${only ? 220 : 120}px; width: 100%; }</style>${cells.join('')}</html>`);
await page.screenshot({ path: out, fullPage: true });
await browser.close();
process.stdout.write(`${out}\n`);
