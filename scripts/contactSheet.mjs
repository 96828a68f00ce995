// Makes docs/figures.png: every position a figure can take, each at two or three of its numbers, at 120 px, on one sheet.
import { createServer } from 'vite';
import { launchBrowser } from './browser.mjs';
import { ensureInstalled } from './setUp.mjs';

ensureInstalled();
const vite = await createServer({ server: { middlewareMode: true }, appType: 'custom', logLevel: 'error' });
const { poseIds, poses } = await vite.ssrLoadModule('/src/lib/core/index.ts');
const { default: PoseDrawing } = await vite.ssrLoadModule('/src/lib/ui/drawing/PoseDrawing.svelte');
const { render } = await vite.ssrLoadModule('svelte/server');
const { default: theme } = await vite.ssrLoadModule('/src/app.css?inline');

const body = { statureCm: 170, leftLegCm: 89, rightLegCm: 90 };
const valuesOf = ({ range: [low, high], usual }) =>
  low === high ? [usual] : [low + (high - low) * 0.08, usual, low + (high - low) * 0.92];
const cells = poseIds.flatMap((pose) =>
  valuesOf(poses[pose]).map((value, i) => {
    const props = { pose, setting: { side: i === 1 ? 'left' : 'right', value }, body, label: pose };
    return `<figure>${render(PoseDrawing, { props }).body}<figcaption>${pose} ${Math.round(value)}</figcaption></figure>`;
  })
);
await vite.close();
const browser = await launchBrowser();
const page = await (await browser.newContext({ viewport: { width: 1500, height: 800 } })).newPage();
await page.setContent(`<!doctype html><html data-theme="light"><style>${theme}
  body { margin: 12px; background: var(--color-chalk); display: grid; grid-template-columns: repeat(9, 1fr); gap: 8px; }
  figcaption { font-size: 11px; text-align: center; color: var(--color-ink-soft); }
  svg { height: 120px; width: 100%; }</style>${cells.join('')}</html>`);
await page.screenshot({ path: 'docs/figures.png', fullPage: true });
await browser.close();
