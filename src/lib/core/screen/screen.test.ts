import { describe, expect, test } from 'vitest';
import {
  capsOf,
  exercises,
  isCleared,
  locksFrom,
  painPlaces,
  painKinds,
  screen,
  screeningRows,
  type PainGrade,
  type PainKindId,
  type PainPlaceId
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
    expect(capsOf(limits).effortPct).toBe(40);
    expect(limits.some((l) => l.kind === 'no past-flat')).toBe(true);
  });
  test('from 60 on effort is capped at 50 % and the warm-up takes 8 minutes', () => {
    const { limits } = screen({ flags: [], ageYears: 60 });
    expect(capsOf(limits).effortPct).toBe(50);
    expect(limits.find((l) => l.kind === 'warm-up at least')?.value).toBe(480);
  });
  test('the usual caps are 60 % and 4 of 10', () => {
    const { limits } = screen({ flags: [], ageYears: 30 });
    expect(capsOf(limits)).toMatchObject({ effortPct: 60, sensation: 4 });
  });
  // Born 1966, looked at in 2026: 59 or 60. Both readings take the cautious side.
  test('of a year of birth alone the young count as younger and those of 60 as older', () => {
    const kinds = (ageYears: number, oldestYears: number) =>
      screen({ flags: [], ageYears, oldestYears }).limits.map((l) => l.from);
    expect(kinds(59, 60)).toContain('60 and over');
    expect(kinds(59, 59)).not.toContain('60 and over');
    expect(kinds(17, 18)).toContain('under 18');
    expect(kinds(18, 19)).not.toContain('under 18');
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
    ).toEqual([
      { joint: 'hip', side: 'left' },
      { line: 'hamstring', side: 'left' }
    ]));

  // Source: common practice: what hurts severely is not worked until somebody has looked at it.
  test('a severe pain of any kind that hurts locks its joint, in the chest the person; mild and moderate lock nothing', () => {
    const graded = (grade: PainGrade, place: PainPlaceId, kind: PainKindId = 'joint') =>
      locksFrom([{ kind, place, side: 'left', grade }]);
    expect(graded('severe', 'wrist_hand')).toEqual([{ joint: 'wrist', side: 'left' }]);
    expect(graded('severe', 'elbow', 'afterwards')).toEqual([{ joint: 'elbow', side: 'left' }]);
    expect(graded('severe', 'chest')).toEqual([{ person: true }]);
    expect(graded('severe', 'knee', 'stretch_or_work')).toEqual([]);
    for (const grade of ['mild', 'moderate'] as const) expect(graded(grade, 'wrist_hand')).toEqual([]);
  });
  test('an urgent sign closes the person, wherever it is felt', () => {
    for (const { id } of painPlaces)
      expect(locksFrom([{ kind: 'urgent_sign', place: id, side: 'left' }]), id).toEqual([{ person: true }]);
  });

  test('a nerve sign needs no place: it locks what the exercise loads and stretches', () => {
    const told = { joints: [{ joint: 'hip', side: 'right' }], lines: [{ line: 'hamstring', side: 'right' }] } as const;
    expect(locksFrom([{ kind: 'nerve', place: 'nowhere', side: null }], told)).toEqual([...told.joints, ...told.lines]);
    expect(locksFrom([{ kind: 'nerve', place: 'nowhere', side: null }])).toEqual([{ person: true }]);
  });

  test('a sharp pain in head or chest is never the joint’s alone', () => {
    for (const place of ['head', 'chest'] as const)
      expect(locksFrom([{ kind: 'sharp_pop', place, side: null }])).toEqual([{ person: true }]);
  });

  test('an ache at the bone rests every line of its place, on both sides where none was said', () =>
    expect(locksFrom([{ kind: 'bone_attachment', place: 'groin', side: null }])).toEqual([
      { line: 'inner thigh', side: null },
      { line: 'hip flexor', side: null }
    ]));

  test('every sign that ends a session also locks, and no other does', () =>
    expect(painKinds.filter((k) => k.locks).map((k) => k.action)).toEqual(
      painKinds.filter((k) => k.action === 'stop session' || k.action === 'urgent').map((k) => k.action)
    ));
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
