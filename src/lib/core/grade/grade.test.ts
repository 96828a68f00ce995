import { describe, expect, test } from 'vitest';
import {
  countsFrom,
  exerciseOf,
  gradeStack,
  jumpOf,
  reachableStacks,
  splitUse,
  type DialEnd,
  type Limit,
  type Prop,
  type StackGrade
} from '../index';

const face = (heightCm: number) => ({ heightCm, widthCm: 30, depthCm: 40 });
/** Heights of 4, 9, 13, 30 and 44 cm and what two of them make: uneven, with a gap below the chair. */
const shelf: Prop[] = [4, 9, 30, 44].map((h) => ({ id: `h${h}`, name: `h${h}`, quantity: 1, faces: [face(h)] }));
const dial = exerciseOf('front_split_on_stack').dials.find((d) => d.id === 'depthCm')!;
const limit: Limit = { kind: 'half way only', from: 'kept/test' };
const end = (at: number, code: 'limit' | 'stop'): DialEnd =>
  ({
    at,
    why:
      code === 'limit' ? { code, limit } : { code, stop: { person: true, reason: 'pain', openedOn: '2026-01-01' }, bears: false }
  }) as DialEnd;

const grade = (more: Partial<Parameters<typeof gradeStack>[0]> = {}): StackGrade =>
  gradeStack({
    dial,
    use: splitUse,
    shelf,
    stacks: reachableStacks(shelf),
    setAt: null,
    measured: 20,
    end: null,
    goalCm: 0,
    ...more
  });
const depths = (g: StackGrade) => g.rungs.map((r) => r.depthCm);

describe('the start on a shelf', () => {
  test('is the nearest stack that is no harder than what was measured, however near the next lower one is', () => {
    expect(grade({ measured: 10 }).rung.depthCm).toBe(13);
    expect(grade({ measured: 13 }).rung.depthCm).toBe(13);
  });
  test('what is in use stands on the nearest, on either side', () =>
    expect(grade({ setAt: 10 })).toMatchObject({ chosen: true, rung: { depthCm: 9 } }));
  test('where nothing was measured it is the middle height', () => {
    // Heights of 13, 9, 4 and 0 cm.
    const two = shelf.slice(0, 2);
    expect(grade({ measured: null, shelf: two, stacks: reachableStacks(two) }).rung.depthCm).toBe(9);
  });
  test('is no harder than the gate lets it, set or not', () => {
    expect(grade({ measured: 4, end: end(10, 'limit') }).rung.depthCm).toBe(13);
    expect(grade({ setAt: 4, end: end(10, 'limit') }).rung.depthCm).toBe(13);
  });
});

describe('the ladder round it', () => {
  test('goes to the goal; a limit ends it for good, what only keeps it today hides what lies past', () => {
    expect(depths(grade({ setAt: 13 })).at(-1)).toBe(0);
    expect(depths(grade({ setAt: 13, end: end(9, 'limit') })).at(-1)).toBe(9);
    expect(depths(grade({ setAt: 13, end: end(9, 'stop') })).at(-1)).toBe(9);
  });
  test('an end that lasts leaves no fault beyond it; a hold of today tells what is missing on the way', () => {
    const far: Prop[] = [{ id: 'h30', name: 'h30', quantity: 1, faces: [face(30)] }];
    const on = { shelf: far, stacks: reachableStacks(far), setAt: 30 };
    expect(grade({ ...on, end: end(30, 'limit') }).faults).toEqual([]);
    expect(grade({ ...on, end: end(30, 'stop') }).faults).toHaveLength(1);
  });
  test('a step that is missing on the way back is told as well', () => {
    const high = shelf.slice(2).map((p) => ({ ...p, faces: [{ heightCm: p.faces[0]!.heightCm, widthCm: 24, depthCm: 24 }] }));
    const stacks = reachableStacks(high).filter((s) => s.items.length < 2);
    expect(grade({ setAt: 30, shelf: high, stacks }).faults[0]).toMatchObject({ fromCm: 44, toCm: 30 });
  });
});

describe('what the shelf lacks', () => {
  test('a stack harder than what is meant by more than the greatest step is no stand-in', () => {
    const low: Prop[] = [{ id: 'h4', name: 'h4', quantity: 1, faces: [face(4)] }];
    const on = (setAt: number) => grade({ shelf: low, stacks: reachableStacks(low), setAt });
    expect(on(9).tooFar).toBe(false);
    expect(on(9.5).tooFar).toBe(true);
    expect(countsFrom(dial, on(9.5), 12)).toBe(12);
    expect(countsFrom(dial, on(9), 12)).toBe(4);
  });
});

// Source: common practice, the greatest usual step of a stack is 5 cm.
describe('a jump', () => {
  test('is more than one usual step harder, counted from what is in use or measured', () => {
    expect(jumpOf(dial, 20, 15, [])).toBeNull();
    expect(jumpOf(dial, 20, 14, [])).toEqual({ steps: 2, by: 6 });
    expect(jumpOf(dial, 15, 30, [])).toBeNull();
    expect(jumpOf(dial, null, 0, [])).toBeNull();
  });
  test('is two rungs of the ladder, however near they lie', () => {
    const rungs = [32.5, 30, 27.5, 25].map((depthCm) => ({ ...grade({ setAt: 30 }).rung, depthCm }));
    expect(jumpOf(dial, 32.5, 30, rungs)).toBeNull();
    expect(jumpOf(dial, 32.5, 27.5, rungs)).toEqual({ steps: 2, by: 5 });
    expect(jumpOf(dial, 32.5, 29, rungs)).toEqual({ steps: 2, by: 3.5 });
    expect(jumpOf(dial, 25, 32.5, rungs)).toBeNull();
  });
  test('goes by its own step on a dial without a stack', () => {
    const hold = exerciseOf('front_split_on_stack').dials.find((d) => d.id === 'holdS')!;
    expect(jumpOf(hold, 30, 30 + hold.step, [])).toBeNull();
    expect(jumpOf(hold, 30, 30 + 2 * hold.step, [])?.steps).toBe(2);
  });
});
