import { expect, test } from 'vitest';
import { oncePer } from './oncePer';

test('is derived once of each object, and anew of another that is alike', () => {
  let times = 0;
  const sum = oncePer((of: readonly number[]) => {
    times++;
    return of.reduce((a, b) => a + b, 0);
  });
  const numbers = [1, 2, 3];
  expect([sum(numbers), sum(numbers), times]).toEqual([6, 6, 1]);
  expect([sum([...numbers]), times]).toEqual([6, 2]);
});

test('is remembered with another object, where one is named', () => {
  const origin = {};
  const first = oncePer(
    ({ n }: { n: number; origin: object }) => n,
    (of) => of.origin
  );
  expect([first({ n: 1, origin }), first({ n: 2, origin }), first({ n: 3, origin: {} })]).toEqual([1, 1, 3]);
});
