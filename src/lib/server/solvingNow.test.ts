import { afterAll, expect, test } from 'vitest';
import { solverThread } from './solver';
import { progressOf, stopSolving, withSolving } from './solvingNow';

const program = ['Maximize', ' obj: + x', 'Subject To', ' r: + x <= 4.5', 'General', ' x', 'End'].join('\n');
afterAll(() => solverThread.stop());

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

test('whoever asked for what is stopped is told so; what another tab began since stays', async () => {
  expect(stopSolving(7)).toBe(false);
  const stopped = withSolving(7, async ({ solve }) => {
    expect(stopSolving(7)).toBe(true);
    return solve(program);
  });
  await expect(stopped).rejects.toEqual(expect.objectContaining({ code: 'solving_cancelled' }));
  let end = (): void => undefined;
  const first = withSolving(7, () => new Promise<void>((resolve) => (end = resolve)));
  await withSolving(7, async ({ onProgress }) => {
    end();
    await first;
    onProgress?.(2, 3);
    expect(progressOf(7)).toEqual({ done: 2, of: 3 });
  });
});
