import { afterAll, describe, expect, test } from 'vitest';
import type { SearchEnds } from '$lib/core';
import { solverFor, solverPool } from './solver';

const program = ['Maximize', ' obj: + 3 x + 2 y', 'Subject To', ' r: + x + y <= 4.5', 'Bounds', ' 0 <= x <= 2', 'General', ' x y', 'End'].join('\n'); // prettier-ignore
const toTheEnd: SearchEnds = { gap: 0, nodes: 1e9, work: Infinity };
const times = (n: number) => Array.from({ length: n }, (_, i) => i);
/** Which of a hundred things fit into ten bags at once: nobody proves the best of these in a test's time. */
const endless = (() => {
  let state = 1;
  const weight = () => ((state = (state * 1_103_515_245 + 12_345) % 2_147_483_648) % 90) + 10;
  const weights = times(11).map(() => times(100).map(weight));
  const sum = (of: readonly number[]) => of.map((w, i) => `${w} x${i}`).join(' + ');
  const [worth, ...bags] = weights;
  const rows = bags.map((bag, row) => ` r${row}: ${sum(bag)} <= ${Math.floor(bag.reduce((a, w) => a + w) / 2)}`);
  const names = times(100)
    .map((i) => `x${i}`)
    .join(' ');
  return ['Maximize', ` obj: ${sum(worth!)}`, 'Subject To', ...rows, 'Binary', ` ${names}`, 'End'].join('\n');
})();
afterAll(() => solverPool.stop());

describe('the solver’s thread', () => {
  // Source: by hand: x as far as it goes, the rest of four whole ones for y.
  test('gives the best whole numbers, the same every time', async () => {
    for (let i = 0; i < 3; i++) expect(await solverFor()(program)).toEqual({ status: 'Optimal', values: { x: 2, y: 2 }, gap: 0 });
  });
  test('a program that cannot be read is told, and the next one is solved', async () => {
    await expect(solverFor()('Maximize nonsense ((')).rejects.toEqual(expect.objectContaining({ code: 'not_solved' }));
    expect((await solverFor()(program)).values.x).toBe(2);
  });
  test('what is stopped ends at once, whether it was begun or waits, and the next is not held up by it', async () => {
    const stop = new AbortController();
    const cancelled = expect.objectContaining({ code: 'solving_cancelled' });
    const running = times(3).map(() => solverFor(stop.signal)(endless, toTheEnd));
    const next = solverFor()(program);
    stop.abort();
    for (const one of running) await expect(one).rejects.toEqual(cancelled);
    expect((await next).values.x).toBe(2);
    await expect(solverFor(stop.signal)(program)).rejects.toEqual(cancelled);
  });
  test('a search ends after so much work with the best it found, and says how far that may be from the best', async () => {
    const { status, values, gap } = await solverFor()(endless, { ...toTheEnd, work: 4_000 });
    expect(status).not.toBe('Optimal');
    expect(gap).toBeGreaterThan(0);
    expect(gap).toBeLessThan(1);
    expect(Object.values(values).filter((v) => v > 0.5).length).toBeGreaterThan(0);
    // The same work, the same answer: the clock has no say.
    expect(await solverFor()(endless, { ...toTheEnd, work: 4_000 })).toEqual({ status, values, gap });
  });
  test('a thread that dies is told, and another one takes its place', async () => {
    // A new thread has to begin first: it cannot answer before it is ended.
    await solverPool.stop();
    const lost = expect(solverFor()(program)).rejects.toEqual(expect.objectContaining({ code: 'solver_lost' }));
    await solverPool.stop();
    await lost;
    expect((await solverFor()(program)).values.y).toBe(2);
  });
});
