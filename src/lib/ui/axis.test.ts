import fc from 'fast-check';
import { expect, test } from 'vitest';
import { axisOver } from './axis';

const number = fc.integer({ min: -2000, max: 4000 }).map((n) => n / 10);

test('ends and marks lie on whole steps of 1, 2 or 5, and hold every value', () =>
  fc.assert(
    fc.property(fc.array(number, { minLength: 1, maxLength: 12 }), (values) => {
      const { min, max, marks, step } = axisOver(values);
      expect(min).toBeLessThanOrEqual(Math.min(...values) + 1e-9);
      expect(max).toBeGreaterThanOrEqual(Math.max(...values) - 1e-9);
      const leading = step / 10 ** Math.floor(Math.log10(step) + 1e-9);
      expect(
        [1, 2, 5].some((n) => Math.abs(leading - n) < 1e-6),
        `step ${step}`
      ).toBe(true);
      for (const [i, mark] of marks.entries()) if (i > 0) expect(mark - marks[i - 1]!).toBeCloseTo(step, 9);
      expect([marks[0], marks.at(-1)]).toEqual([expect.closeTo(min, 9), expect.closeTo(max, 9)]);
    })
  ));

test('one value alone has an axis too', () => expect(axisOver([20]).max).toBeGreaterThan(20));
