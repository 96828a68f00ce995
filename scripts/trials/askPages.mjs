// Pages that are asked for, one after the other or beside other work, and what they cost: on the wire, in memory and in a browser.
import { readFileSync } from 'node:fs';
import { setTimeout as wait } from 'node:timers/promises';
import { launchBrowser } from '../browser.mjs';

const stations = [
  'check',
  'measure',
  'read',
  'grade',
  'plan',
  'plan/change',
  'practise',
  'review',
  'review/progress',
  'edit',
  'photos'
];
const bare = '/_app/version.json';
const pagesOf = (id) => ({
  bare,
  people: '/people',
  ...Object.fromEntries(stations.map((s) => [s, `/people/${id}/${s}`])),
  library: '/library',
  props: '/props'
});
const at = (values, share) => values.toSorted((a, b) => a - b)[Math.min(values.length - 1, Math.floor(values.length * share))];
const summed = (ms) => ({ medianMs: Math.round(at(ms, 0.5)), p95Ms: Math.round(at(ms, 0.95)) });

/** First byte and end of one page, milliseconds, and its bytes. */
async function ask(origin, path) {
  const began = performance.now();
  const answer = await fetch(origin + path);
  if (!answer.ok) throw new Error(`${path} answered ${answer.status}`);
  const reader = answer.body.getReader();
  let [firstMs, bytes] = [0, 0];
  for (;;) {
    const { done, value } = await reader.read();
    firstMs ||= performance.now() - began;
    if (done) return { firstMs, endMs: performance.now() - began, bytes };
    bytes += value.length;
  }
}

/** Pages of one person and those of all, each asked again and again; all where none are named. */
export async function measured(origin, id, loads, named) {
  const figures = {};
  for (const [name, path] of Object.entries(pagesOf(id)).filter(([name]) => !named || named.includes(name))) {
    await ask(origin, path); // warm
    const asked = [];
    for (let i = 0; i < loads; i++) asked.push(await ask(origin, path));
    const firstMs = Math.round(
      at(
        asked.map((a) => a.firstMs),
        0.5
      )
    );
    figures[name] = { firstMs, ...summed(asked.map((a) => a.endMs)), kB: Math.round(asked[0].bytes / 1000) };
  }
  return figures;
}

/** People that the list shows, each found once. */
export async function peopleOf(origin) {
  const page = await (await fetch(`${origin}/people`)).text();
  return [...new Set([...page.matchAll(/href="\/people\/(\d+)"/g)].map((m) => Number(m[1])))];
}

/** Pages of people of whom nothing is remembered: those of the list, in turn, more than are remembered at once. */
export async function firstPages(origin, pages) {
  const people = await peopleOf(origin);
  const figures = [];
  for (const page of pages) {
    const ms = [];
    for (const id of people) ms.push((await ask(origin, `/people/${id}/${page}`)).endMs);
    figures.push([page, summed(ms)]);
  }
  return figures;
}

/** The longest that a bare page took, asked for ten times a second while something runs, milliseconds. */
export async function longestWait(origin, run) {
  let isOver = false;
  let longest = 0;
  const watching = (async () => {
    while (!isOver) {
      longest = Math.max(longest, (await ask(origin, bare)).endMs);
      await wait(100);
    }
  })();
  await run();
  isOver = true;
  await watching;
  return Math.round(longest);
}

/** Resident memory of the studio after a thousand loads of the pages of twenty people, and after all of them. */
export async function memoryOver({ origin, child }, loads) {
  const residentMb = () => Math.round(Number(/VmRSS:\s+(\d+)/.exec(readFileSync(`/proc/${child.pid}/status`, 'utf8'))[1]) / 1024);
  const people = (await peopleOf(origin)).slice(0, 20);
  let afterThousand = null;
  for (let i = 0; i < loads; i++) {
    await ask(origin, `/people/${people[i % people.length]}/${stations[Math.floor(i / people.length) % stations.length]}`);
    if (i === 999) afterThousand = residentMb();
  }
  return { loads, afterThousandMb: afterThousand, atTheEndMb: residentMb() };
}

/** From a click to the station drawn and answering, answer and all, in a browser; and the longest task of the page. Medians of three, after a first. */
export async function inTheBrowser(origin, id) {
  const browser = await launchBrowser();
  const page = await (await browser.newContext({ viewport: { width: 1280, height: 800 }, serviceWorkers: 'block' })).newPage();
  await page.addInitScript(() => {
    window.longTasks = [];
    new PerformanceObserver((list) => window.longTasks.push(...list.getEntries().map((e) => e.duration))).observe({
      type: 'longtask',
      buffered: true
    });
  });
  await page.goto(`${origin}/people/${id}/photos`);
  await page.locator('html[data-alive]').waitFor({ state: 'attached' });
  const go = async (path) => {
    const usableMs = await page.evaluate(
      (path) =>
        new Promise((done) => {
          window.longTasks.length = 0;
          const link = Object.assign(document.createElement('a'), { href: path });
          document.querySelector('#work').append(link);
          const before = document.querySelector('main');
          const began = performance.now();
          link.click();
          const look = () => {
            const main = document.querySelector('main');
            if (location.pathname === path && main && main !== before)
              requestAnimationFrame(() => setTimeout(() => done(performance.now() - began)));
            else setTimeout(look, 4);
          };
          look();
        }),
      path
    );
    await page.waitForTimeout(700);
    return { usableMs, longestMs: await page.evaluate(() => Math.max(0, ...window.longTasks)) };
  };
  const seen = {};
  for (let round = 0; round < 4; round++)
    for (const station of stations) (seen[station] ??= []).push(await go(`/people/${id}/${station}`));
  await browser.close();
  const middle = (values) => Math.round(at(values, 0.5));
  return Object.fromEntries(
    Object.entries(seen).map(([station, [first, ...then]]) => [
      station,
      {
        firstMs: Math.round(first.usableMs),
        usableMs: middle(then.map((t) => t.usableMs)),
        longestMs: middle(then.map((t) => t.longestMs))
      }
    ])
  );
}
