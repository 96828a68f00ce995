import { afterAll, expect, test } from 'vitest';
import { solverPool } from './solver';
import { progressOf, stopSolving, withSolving } from './solvingNow';

const program = ['Maximize', ' obj: + x', 'Subject To', ' r: + x <= 4.5', 'General', ' x', 'End'].join('\n');
afterAll(() => solverPool.stop());

test('how far it is can be asked while it runs, and not after it', async () => {
  const value = await withSolving(7, async ({ solve, onProgress }) => {
    expect(progressOf(7)).toBeNull();
    onProgress?.(1, 4);
    expect([progressOf(7), progressOf(8)]).toEqual([{ done: 1, of: 4 }, null]);
    return (await solve(program)).values.x;
  });
  expect(value).toBe(4);
  expect(progressOf(7)).toBeNull();
});

test('whoever asked for what is stopped is told so; one plan at a time is solved for a person, the one asked for last', async () => {
  expect(stopSolving(7)).toBe(false);
  const stopped = withSolving(7, async ({ solve }) => {
    expect(stopSolving(7)).toBe(true);
    return solve(program);
  });
  await expect(stopped).rejects.toEqual(expect.objectContaining({ code: 'solving_cancelled' }));
  let later: Promise<number | undefined> | null = null;
  const first = withSolving(7, ({ solve }) => {
    later = withSolving(7, async (by) => (await by.solve(program)).values.x);
    return solve(program);
  });
  await expect(first).rejects.toEqual(expect.objectContaining({ code: 'solving_cancelled' }));
  expect(await later).toBe(4);
  expect(progressOf(7)).toBeNull();
});
