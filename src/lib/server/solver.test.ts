import { afterAll, describe, expect, test } from 'vitest';
import { solverFor, solverThread } from './solver';

const program = ['Maximize', ' obj: + 3 x + 2 y', 'Subject To', ' r: + x + y <= 4.5', 'Bounds', ' 0 <= x <= 2', 'General', ' x y', 'End'].join('\n'); // prettier-ignore
afterAll(() => solverThread.stop());

describe('the solver’s thread', () => {
  // Source: by hand: x as far as it goes, the rest of four whole ones for y.
  test('gives the best whole numbers, the same every time', async () => {
    for (let i = 0; i < 3; i++) expect(await solverFor()(program)).toEqual({ status: 'Optimal', values: { x: 2, y: 2 } });
  });
  test('a program that cannot be read is told, and the next one is solved', async () => {
    await expect(solverFor()('Maximize nonsense ((')).rejects.toEqual(expect.objectContaining({ code: 'not_solved' }));
    expect((await solverFor()(program)).values.x).toBe(2);
  });
  test('what is stopped is not waited for, also before it began', async () => {
    const stop = new AbortController();
    const running = solverFor(stop.signal)(program);
    stop.abort();
    await expect(running).rejects.toEqual(expect.objectContaining({ code: 'solving_cancelled' }));
    await expect(solverFor(stop.signal)(program)).rejects.toEqual(expect.objectContaining({ code: 'solving_cancelled' }));
  });
  test('a thread that dies is told, and another one takes its place', async () => {
    // A new thread has to begin first: it cannot answer before it is ended.
    await solverThread.stop();
    const lost = expect(solverFor()(program)).rejects.toEqual(expect.objectContaining({ code: 'solver_lost' }));
    await solverThread.stop();
    await lost;
    expect((await solverFor()(program)).values.y).toBe(2);
  });
});
