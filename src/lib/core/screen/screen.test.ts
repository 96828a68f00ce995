import { describe, expect, test } from 'vitest';
import {
  capOf,
  exerciseOf,
  exercises,
  isCleared,
  isLocked,
  loadedJoints,
  locksFrom,
  painKinds,
  screen,
  screeningRows
} from '../index';

// Source: cautious defaults from general exercise-safety practice, an assumption not reviewed by a clinician (docs/sources.md#screening).
describe('screen', () => {
  test('goes when nothing applies', () => expect(screen({ flags: [], ageYears: 35 }).clearance).toBe('go'));
  test.each(screeningRows.filter((r) => r.tier !== 'limits'))('holds $tier for: $text', ({ id, tier }) => {
    const { clearance } = screen({ flags: [id], ageYears: 35 });
    expect(clearance).toBe(tier);
    expect(isCleared(clearance, null)).toBe(false);
    expect(isCleared(clearance, 'a named person')).toBe(true);
  });
  test('an urgent sign outweighs the others', () =>
    expect(screen({ flags: ['hernia', 'hot_calf'], ageYears: 35 }).clearance).toBe('urgent'));
  test('minors are capped at 40 % and not worked past flat, whatever the instructor sets', () => {
    const { limits, clearance } = screen({ flags: [], ageYears: 17, effortCapPct: 70 });
    expect(clearance).toBe('go with limits');
    expect(capOf(limits, 'effort cap', 60)).toBe(40);
    expect(limits.some((l) => l.kind === 'no past-flat')).toBe(true);
  });
  test('from 60 on effort is capped at 50 % and the warm-up takes 8 minutes', () => {
    const { limits } = screen({ flags: [], ageYears: 60 });
    expect(capOf(limits, 'effort cap', 60)).toBe(50);
    expect(limits.find((l) => l.kind === 'warm-up at least')?.value).toBe(480);
  });
  test('the usual caps are 60 % and 4 of 10', () => {
    const { limits } = screen({ flags: [], ageYears: 30 });
    expect([capOf(limits, 'effort cap', 100), capOf(limits, 'sensation cap', 10)]).toEqual([60, 4]);
  });
  test('refuses a question it does not know', () => expect(() => screen({ flags: ['nonsense'], ageYears: 30 })).toThrow());
});

describe('locksFrom', () => {
  test('locks the joint and side of a stop sign, once', () =>
    expect(
      locksFrom([
        { kind: 'nerve', place: 'back_of_thigh', side: 'left' },
        { kind: 'sharp_pop', place: 'sit_bone', side: 'left' },
        { kind: 'pinch', place: 'front_of_hip', side: 'right' }
      ])
    ).toEqual([{ joint: 'hip', side: 'left' }]));

  test('every sign that ends a session also locks, and no other does', () =>
    expect(painKinds.filter((k) => k.locks).map((k) => k.action)).toEqual(
      painKinds.filter((k) => k.action === 'stop session' || k.action === 'urgent').map((k) => k.action)
    ));

  test('a lock bars every exercise that loads the joint on that side, and no other side', () => {
    const lock = [{ joint: 'knee', side: 'left' }] as const;
    const lift = exerciseOf('front_leg_lift');
    expect(isLocked(loadedJoints(lift, 'left'), lock)).toBe(true);
    expect(isLocked(loadedJoints(lift, 'right'), lock)).toBe(false);
    expect(isLocked(loadedJoints(exerciseOf('front_split_on_stack'), 'right'), lock)).toBe(true);
  });
});

describe('the exercises', () => {
  test('each has its stop signs, a way in and a reason', () => {
    for (const e of exercises) {
      expect(e.stops.length, e.id).toBeGreaterThan(1);
      expect(e.setup.length, e.id).toBeGreaterThan(0);
      expect(e.why.length, e.id).toBeGreaterThan(10);
    }
  });
  test('start inside their own dials', () => {
    for (const e of exercises)
      for (const dial of e.dials) {
        const at = e.start[dial.id];
        if (at !== undefined) expect(at >= dial.min && at <= dial.max, `${e.id} ${dial.id}`).toBe(true);
      }
  });
  test('ids are unique', () => expect(new Set(exercises.map((e) => e.id)).size).toBe(exercises.length));
});
