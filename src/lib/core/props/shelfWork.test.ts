import fc from 'fast-check';
import { describe, expect, test } from 'vitest';
import {
  bestAddition,
  candidateProps,
  dialAtRung,
  exerciseOf,
  heightGaps,
  ladder,
  searchStacks,
  shareShelf,
  splitUse,
  stacksFor,
  substitutesFor,
  usualStepCm,
  type LadderNeed,
  type Prop,
  type ShareNeed,
  type StackUse
} from '../index';
import { solveHere } from '../testing/solver';

const block: Prop = {
  id: 'block',
  name: 'block',
  quantity: 4,
  faces: [
    { heightCm: 10, widthCm: 23, depthCm: 15 },
    { heightCm: 15, widthCm: 23, depthCm: 10 },
    { heightCm: 23, widthCm: 15, depthCm: 10, carries: false }
  ]
};
const book: Prop = { id: 'book', name: 'book', quantity: 3, faces: [{ heightCm: 2.5, widthCm: 23, depthCm: 16 }] };
const stairs: Prop = {
  id: 'stairs',
  name: 'stairs',
  quantity: 1,
  fixed: true,
  faces: [15, 30, 45].map((heightCm) => ({ heightCm, widthCm: 90, depthCm: 28 }))
};
const hands: StackUse = { under: 'hands', pairs: 2, higherIs: 'easier', bears: 'light' };
const heel: StackUse = { under: 'lead heel', pairs: 1, higherIs: 'harder', bears: 'weight' };

const anyShelf = fc
  .array(
    fc.record({
      quantity: fc.integer({ min: 0, max: 5 }),
      heights: fc.uniqueArray(fc.integer({ min: 2, max: 30 }), { minLength: 1, maxLength: 3 }),
      soft: fc.boolean()
    }),
    { maxLength: 4 }
  )
  .map((props): Prop[] =>
    props.map(({ quantity, heights, soft }, i) => ({
      id: `p${i}`,
      name: `p${i}`,
      quantity,
      softShare: soft ? 0.2 : 0,
      faces: heights.map((heightCm) => ({ heightCm, widthCm: 20, depthCm: 12, carries: heightCm <= 24 }))
    }))
  );

describe('stacks by use', () => {
  test('both hands have the same stack at once: never more props than there are', () =>
    fc.assert(
      fc.property(anyShelf, (shelf) => {
        for (const { items } of stacksFor(hands, shelf).stacks)
          for (const prop of shelf)
            expect(2 * items.filter((i) => i.propId === prop.id).length).toBeLessThanOrEqual(prop.quantity);
      })
    ));

  test('an upright block is for a light hand only, alone', () => {
    const heights = (use: StackUse) => stacksFor(use, [block]).stacks.map((s) => s.heightCm);
    expect(heights(hands)).toContain(23);
    expect(heights(splitUse)).not.toContain(23);
  });

  test('steps of stairs count where the exercise is done on stairs, and stand in no stack', () => {
    const onStairs: StackUse = { under: 'front foot', pairs: 1, higherIs: 'easier', bears: 'weight', stairs: true };
    const found = stacksFor(onStairs, [book, stairs]).stacks;
    expect(found.map((s) => s.heightCm)).toEqual([0, 2.5, 15, 30, 45]);
    expect(found.every((s) => s.items.length < 2)).toBe(true);
    expect(stacksFor(splitUse, [stairs]).stacks.map((s) => s.heightCm)).toEqual([0]);
  });

  test('a thousand blocks are searched as far as the bound goes, and it says how far', () => {
    const many = Array.from({ length: 150 }, (_, i): Prop => ({ ...block, id: `b${i}`, quantity: 1000 }));
    const { stacks, bounded, triedItems } = searchStacks(many);
    expect(bounded).toBe(true);
    expect(triedItems).toBe(2);
    // Every stack of one and of two is there all the same.
    for (const h of [10, 15, 20, 23]) expect(stacks.map((s) => s.heightCm)).toContain(h);
    expect(searchStacks([{ ...block, quantity: 1000 }]).bounded).toBe(false);
  });
});

describe('heightGaps', () => {
  const stacks = (...heights: number[]) => [0, ...heights].map((heightCm) => ({ heightCm, items: [] }));
  test('names what no usual step crosses, up to the end of the scale', () =>
    expect(heightGaps(stacks(5, 10, 16, 40), 50)).toEqual([
      { fromCm: 10, toCm: 16 },
      { fromCm: 16, toCm: 40 },
      { fromCm: 40, toCm: 50 }
    ]));
  test('heights above the scale are left out', () => expect(heightGaps(stacks(5, 10, 80), 12)).toEqual([]));
});

describe('the ladder by use', () => {
  test('where higher is harder it climbs, and the dial shows the height', () => {
    const { steps } = ladder({ fromCm: 0, toCm: -15, shelf: [block, book], use: heel });
    expect(steps.map((s) => s.depthCm)).toEqual([0, -2.5, -5, -7.5, -10, -12.5, -15]);
    const dial = exerciseOf('raised_split').dials[0]!;
    expect(steps.map((s) => dialAtRung(dial, s))).toEqual([0, 2.5, 5, 7.5, 10, 12.5, 15]);
  });

  test('is monotone, and every step above the greatest is told as a fault, on any shelf and for any use', () =>
    fc.assert(
      fc.property(anyShelf, fc.constantFrom(splitUse, hands, heel), fc.integer({ min: 1, max: 40 }), (shelf, use, cm) => {
        const ask = use.higherIs === 'harder' ? { fromCm: 0, toCm: -cm } : { fromCm: cm, toCm: 0 };
        const { steps, faults } = ladder({ ...ask, shelf, use });
        const big = steps.slice(1).filter((s, i) => {
          expect(s.depthCm).toBeLessThan(steps[i]!.depthCm);
          return steps[i]!.depthCm - s.depthCm > usualStepCm.max + 1e-9;
        });
        expect(faults.filter((f) => f.why === 'no height between')).toHaveLength(big.length);
      })
    ));
});

describe('bestAddition', () => {
  const need = (fromCm: number, use: StackUse = splitUse): LadderNeed => ({ label: `from ${fromCm}`, fromCm, toCm: 0, use });

  test('thin books close the gap that blocks leave', () => {
    const found = bestAddition([block], [need(20), need(15)], candidateProps)!;
    expect(found.before.faults).toBe(2);
    expect(found.after.faults).toBe(0);
    expect(found.candidate.faces[0]!.heightCm).toBeLessThanOrEqual(5);
    expect(found.changed.map((c) => c.label)).toEqual(['from 20', 'from 15']);
  });

  test('is never beaten by another candidate, and never makes a ladder worse', () =>
    fc.assert(
      fc.property(anyShelf, fc.array(fc.integer({ min: 5, max: 30 }), { minLength: 1, maxLength: 3 }), (shelf, starts) => {
        const needs = starts.map((s) => need(s));
        const best = bestAddition(shelf, needs, candidateProps);
        const alone = candidateProps.flatMap((c) => bestAddition(shelf, needs, [c]) ?? []);
        if (!best) {
          expect(alone).toEqual([]);
          return;
        }
        for (const other of alone) {
          expect(best.after.faults).toBeLessThanOrEqual(other.after.faults);
          if (best.after.faults === other.after.faults)
            expect(best.after.unevenness).toBeLessThanOrEqual(other.after.unevenness + 1e-9);
        }
      }),
      { numRuns: 20 }
    ));

  test('says nothing where nothing would help', () => {
    expect(bestAddition([book], [], candidateProps)).toBeNull();
    expect(bestAddition([{ ...book, quantity: 9 }], [need(5)], candidateProps)).toBeNull();
  });
});

describe('shareShelf', () => {
  const one = { pairs: 1, bears: 'weight' } as const;

  test('never gives out more props than there are', async () => {
    const needs: ShareNeed[] = [10, 10, 12.5, 20, 15].map((targetCm, i) => ({ id: `n${i}`, targetCm, use: one }));
    const shares = await shareShelf(needs, [block, book], solveHere);
    for (const prop of [block, book])
      expect(shares.flatMap((s) => s.stack.items).filter((i) => i.propId === prop.id).length).toBeLessThanOrEqual(prop.quantity);
  });

  test('is as near as trying every choice', () =>
    fc.assert(
      fc.asyncProperty(
        fc.array(fc.integer({ min: 1, max: 30 }), { minLength: 1, maxLength: 3 }),
        fc.integer({ min: 0, max: 3 }),
        fc.integer({ min: 0, max: 3 }),
        fc.constantFrom<1 | 2>(1, 2),
        async (targets, blocks, books, pairs) => {
          const shelf: Prop[] = [
            { ...block, quantity: blocks },
            { ...book, quantity: books }
          ];
          const needs = targets.map((targetCm, i): ShareNeed => ({ id: `n${i}`, targetCm, use: { pairs, bears: 'weight' } }));
          const got = (await shareShelf(needs, shelf, solveHere)).reduce((s, x) => s + x.offCm, 0);
          expect(got).toBeCloseTo(bruteForce(needs, shelf), 1);
        }
      ),
      { numRuns: 40 }
    ));

  test('nobody is nobody', async () => expect(await shareShelf([], [block], solveHere)).toEqual([]));

  /** Source: every combination of stacks, tried one by one. */
  function bruteForce(needs: readonly ShareNeed[], shelf: readonly Prop[]): number {
    const stacks = needs.map((n) => stacksFor(n.use, shelf).stacks);
    const left = new Map(shelf.map((p) => [p.id, p.quantity]));
    const go = (i: number): number => {
      if (i === needs.length) return 0;
      const { targetCm, use } = needs[i]!;
      let best = Infinity;
      for (const s of stacks[i]!) {
        const take = (sign: number) => s.items.forEach((it) => left.set(it.propId, left.get(it.propId)! - sign * use.pairs));
        take(1);
        if ([...left.values()].every((n) => n >= 0)) best = Math.min(best, Math.abs(s.heightCm - targetCm) + go(i + 1));
        take(-1);
      }
      return best;
    };
    return go(0);
  }
});

describe('substitutes', () => {
  // Source: common practice; book for block, trousers for strap, own elbows for a partner.
  test('what stands on the shelf comes first, then what every home has', () => {
    expect(substitutesFor('block', new Set(['book']))[0]).toEqual({ words: 'book', kind: 'book', onShelf: true });
    expect(substitutesFor('strap', new Set()).map((s) => s.words)).toContain('trousers or a belt');
    expect(substitutesFor('partner', new Set())[0]!.words).toBe('own elbows or hands');
  });
  test('a substitute of a substitute counts when it is at hand', () =>
    expect(substitutesFor('chair', new Set(['block'])).some((s) => s.kind === 'block' && s.onShelf)).toBe(true));
});
