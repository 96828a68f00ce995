import fc from 'fast-check';
import { describe, expect, test } from 'vitest';
import reference from '../fixtures/propStacks.json';
import { bearsWeight, bearingStacks, bestStack, CoreError, ladder, reachableStacks, type Prop, type Stack } from '../index';

// Source: brute force over all stacks, two or three ways (docs/sources.md#stacks). Those cases know no footprints, so the rules are off.
const noRules = { maxOverhangCm: Infinity, maxSlenderness: Infinity };
const shelfOf = (props: { name: string; faces: number[]; qty: number }[]): Prop[] =>
  props.map(({ name, faces, qty }) => ({
    id: name,
    name,
    quantity: qty,
    faces: faces.map((heightCm) => ({ heightCm, widthCm: 20, depthCm: 20 }))
  }));

const block: Prop = {
  id: 'block',
  name: 'block',
  quantity: 4,
  faces: [
    { heightCm: 10, widthCm: 15, depthCm: 23 },
    { heightCm: 15, widthCm: 10, depthCm: 23 },
    { heightCm: 23, widthCm: 10, depthCm: 15, carries: false }
  ]
};
const cushion: Prop = {
  id: 'cushion',
  name: 'cushion',
  quantity: 2,
  softShare: 0.2,
  faces: [{ heightCm: 5, widthCm: 16, depthCm: 24 }]
};
const book: Prop = { id: 'book', name: 'book', quantity: 3, faces: [{ heightCm: 2.5, widthCm: 16, depthCm: 23 }] };
const shelf = [block, cushion, book];

describe('reachableStacks', () => {
  test.each(reference.cases)('finds every height of $id: $note', ({ props, max_items, expected }) => {
    const stacks = reachableStacks(shelfOf(props), { maxItems: max_items, ...noRules });
    expect(stacks.map((s) => s.heightCm)).toEqual(expected.reachable_heights);
    expect(stacks.map((s) => s.items.length)).toEqual(expected.fewest_items_for_each);
  });

  test('counts the height that a soft prop has under the body', () =>
    expect(reachableStacks([cushion]).map((s) => s.heightCm)).toEqual([0, 4]));

  test('puts at most one soft prop in a stack, and on top', () =>
    expect(reachableStacks([cushion, book]).every((s) => s.items.slice(0, -1).every((i) => i.propId !== 'cushion'))).toBe(true));

  test('stands nothing on an upright block, nor an upright block on anything', () =>
    expect(
      reachableStacks(shelf).every((s) => s.items.length < 2 || s.items.every((i) => !(i.propId === 'block' && i.face === 2)))
    ).toBe(true));

  test('keeps a stack of two or more no taller than twice the shortest side it stands on', () => {
    const heights = reachableStacks([{ ...block, quantity: 2, faces: [block.faces[1]!] }]).map((s) => s.heightCm);
    expect(heights).toEqual([0, 15]); // 30 on a foot of 10 would tip
  });

  test('refuses an overhang of more than 2 cm an edge', () => {
    const board: Prop = { id: 'board', name: 'board', quantity: 1, faces: [{ heightCm: 2, widthCm: 30, depthCm: 30 }] };
    expect(
      reachableStacks([{ ...block, quantity: 1, faces: [block.faces[0]!] }, board]).some(
        (s) => s.items.at(-1)?.propId === 'board' && s.items.length > 1
      )
    ).toBe(false);
  });

  test('makes a pair only of what is there twice', () => {
    const pairs = reachableStacks([{ ...book, quantity: 3 }], { pairs: 2 });
    expect(pairs.map((s) => s.heightCm)).toEqual([0, 2.5]);
  });

  test('an upright block is not offered under the pelvis', () => {
    expect(reachableStacks([block]).some((s) => s.heightCm === 23)).toBe(true);
    expect(bearingStacks([{ ...block, quantity: 1 }]).some((s) => s.heightCm === 23)).toBe(false);
  });

  test.each([
    [{ ...book, faces: [{ heightCm: Number.NaN, widthCm: 1, depthCm: 1 }] }],
    [{ ...book, faces: [{ heightCm: -2, widthCm: 1, depthCm: 1 }] }],
    [{ ...book, softShare: 1 }]
  ])('refuses an impossible prop', (prop) => expect(() => reachableStacks([prop])).toThrow(CoreError));
});

describe('bestStack', () => {
  test.each(reference.cases)(
    'takes the nearest, then the fewest, then the lower in $id',
    ({ props, max_items, target, expected }) => {
      const stack = bestStack(target, shelfOf(props), { maxItems: max_items, ...noRules });
      expect(stack.heightCm).toBe(expected.best.height);
      expect(stack.items).toHaveLength(expected.best.items);
      const counts = (s: { propId: string; heightCm: number }[]) =>
        JSON.stringify(s.map((i) => `${i.propId}/${i.heightCm}`).sort());
      const shelfNow = shelfOf(props);
      const ours = stack.items.map(({ propId, face }) => ({
        propId,
        heightCm: shelfNow.find((p) => p.id === propId)!.faces[face]!.heightCm
      }));
      const right = expected.best.stacks.map((s) =>
        counts(
          (s as { prop: string; face: number; count: number }[]).flatMap((i) =>
            Array(i.count).fill({ propId: i.prop, heightCm: i.face })
          )
        )
      );
      expect(right).toContain(counts(ours));
    }
  );
});

describe('ladder', () => {
  test('goes down to the floor in steps the shelf has', () => {
    const { steps, faults } = ladder({ fromCm: 23, toCm: 0, shelf });
    expect(faults).toEqual([]);
    expect(steps[0]!.depthCm).toBeCloseTo(22.5, 6); // nearest to 23 without an upright block
    expect(steps.at(-1)).toMatchObject({ depthCm: 0, under: 'floor', items: [] });
    steps.slice(1).forEach((s, i) => expect(steps[i]!.depthCm - s.depthCm).toBeLessThanOrEqual(5));
  });

  test('the floor is a rung of every ladder that passes it, also where a step over it would fit', () => {
    const thin: Prop = { id: 'book', name: 'book', quantity: 4, faces: [{ heightCm: 2.5, widthCm: 23, depthCm: 16 }] };
    const low: Prop = { id: 'mat', name: 'mat', quantity: 1, faces: [{ heightCm: 1, widthCm: 60, depthCm: 40 }] };
    for (const fromCm of [1, 2.5, 3.5, 7.5]) {
      const { steps } = ladder({ fromCm, toCm: -7.5, shelf: [thin, low] });
      expect(
        steps.map((s) => s.depthCm),
        String(fromCm)
      ).toContain(0);
    }
  });

  test('goes on past flat under the lead heel, and there higher is further', () => {
    const { steps } = ladder({ fromCm: 5, toCm: -10, shelf });
    const past = steps.filter((s) => s.depthCm < 0);
    expect(past.length).toBeGreaterThan(1);
    past.forEach((s) => expect(s).toMatchObject({ under: 'lead heel', depthCm: -s.heightCm }));
    expect(past.map((s) => s.heightCm)).toEqual([...past.map((s) => s.heightCm)].sort((a, b) => a - b));
  });

  test('names the gap and the height that would halve it where the shelf has no step', () => {
    const { faults } = ladder({ fromCm: 20, toCm: 0, shelf: [{ ...block, faces: [block.faces[0]!] }] });
    expect(faults).toEqual([
      { fromCm: 20, toCm: 10, why: 'no height between', missingCm: 15 },
      { fromCm: 10, toCm: 0, why: 'no height between', missingCm: 5 }
    ]);
  });

  test('on an empty shelf there is only the floor, and it says what is missing past flat', () => {
    expect(ladder({ fromCm: 12, toCm: 0, shelf: [] }).steps).toHaveLength(1);
    expect(ladder({ fromCm: 12, toCm: -12, shelf: [] }).faults).toEqual([
      { fromCm: 0, toCm: -12, why: 'goal not reached', missingCm: 6 }
    ]);
  });

  test('is the cheapest way: no other choice of rungs has a smaller sum of squares', () =>
    fc.assert(
      fc.property(fc.uniqueArray(fc.integer({ min: 1, max: 25 }), { minLength: 1, maxLength: 7 }), (heights) => {
        const props: Prop[] = heights.map((h) => ({
          id: `p${h}`,
          name: `p${h}`,
          quantity: 1,
          faces: [{ heightCm: h, widthCm: 30, depthCm: 30 }]
        }));
        const rules = { maxItems: 1 };
        const { steps } = ladder({ fromCm: 25, toCm: 0, shelf: props, rules });
        const cost = (depths: number[]) =>
          depths.slice(1).reduce((sum, d, i) => {
            const step = depths[i]! - d;
            return sum + (step - 2.5) ** 2 + 1e6 * Math.max(0, step - 5) ** 2;
          }, 0);
        const sorted = [...heights].sort((a, b) => b - a);
        const [top, ...inner] = sorted;
        const choices = Array.from({ length: 2 ** inner.length }, (_, mask) => [
          top!,
          ...inner.filter((_, i) => (mask >> i) & 1),
          0
        ]);
        expect(cost(steps.map((s) => s.depthCm))).toBeCloseTo(Math.min(...choices.map(cost)), 6);
      }),
      { numRuns: 60 }
    ));

  test('every rung of any shelf bears weight and is reachable', () =>
    fc.assert(
      fc.property(fc.double({ min: 0, max: 40, noNaN: true }), (fromCm) => {
        const heights = new Set(reachableStacks(shelf).map((s: Stack) => s.heightCm));
        for (const rung of ladder({ fromCm, toCm: 0, shelf }).steps) {
          expect(heights.has(rung.heightCm)).toBe(true);
          expect(bearsWeight(rung, shelf)).toBe(true);
        }
      })
    ));

  test('refuses a goal above today', () => expect(() => ladder({ fromCm: 5, toCm: 12, shelf })).toThrow(CoreError));
});
