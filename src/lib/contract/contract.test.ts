import { describe, expect, test } from 'vitest';
import { fromCm, fromKg, length, optionalLength, optionalMass, parseDecimal, toCm, toKg, whole } from './fields';
import { enter } from './door';
import { goalForm, measureForm, screeningForm, setLogSchema } from './forms';
import { CoreError } from '$lib/core';

const messagesOf = (
  schema: { safeParse(raw: unknown): { success: boolean; error?: { issues: { path: PropertyKey[]; message: string }[] } } },
  raw: unknown
) => Object.fromEntries((schema.safeParse(raw).error?.issues ?? []).map((i) => [i.path.join('.'), i.message]));

describe('numbers as they are typed', () => {
  test.each([
    ['12.5', 12.5],
    ['12,5', 12.5],
    [' 7 ', 7],
    [',5', 0.5],
    ['-3', -3],
    ['', null],
    ['NaN', null],
    ['1e3', null],
    ['Infinity', null],
    ['twelve', null],
    ['1,2,3', null]
  ])('%j is %j', (typed, value) => expect(parseDecimal(typed)).toBe(value));

  test('an empty field is missing and not 0', () => {
    expect(messagesOf(length('cm', 0, 10), '')).toEqual({ '': 'Fill this in' });
    expect(optionalLength('cm', 0, 10).parse('')).toBeNull();
    expect(messagesOf(whole(1, 7), '2,5')).toEqual({ '': 'A whole number' });
  });

  // Source: the international inch and pound, exact by definition.
  test('inches and pounds convert exactly and come back as typed', () => {
    expect(toCm(10, 'in')).toBeCloseTo(25.4, 12);
    expect(toKg(1, 'lb')).toBe(0.45359237);
    expect(fromCm(toCm(67.25, 'in'), 'in')).toBeCloseTo(67.25, 9);
    expect(fromKg(toKg(150, 'lb'), 'lb')).toBeCloseTo(150, 9);
    expect(Math.round(fromKg(optionalMass('lb', 20, 300).parse('150')!, 'lb'))).toBe(150);
  });

  test('bounds are told in the unit in use', () =>
    expect(messagesOf(length('in', 100, 230), '12')).toEqual({ '': 'Between 39.4 and 90.6 in' }));
});

describe('forms', () => {
  const goal = { leadSide: 'left', aim: 'flat', distanceCm: '', targetOn: '', eventName: '' };
  test('a goal past flat is a negative depth, and a date gone by is refused', () => {
    expect(goalForm('cm', '2026-01-01').parse({ ...goal, aim: 'past', distanceCm: '7,5' })).toMatchObject({
      targetDepthCm: -7.5,
      targetOn: null
    });
    expect(messagesOf(goalForm('cm', '2026-01-01'), { ...goal, targetOn: '2025-12-31' })).toHaveProperty('targetOn');
  });

  const occasion = { bodyState: 'cold', takenOn: '2026-01-01', note: '' };
  test('trials past flat are raises; empty ones are none', () => {
    const { trials } = measureForm('cm', 88).parse({
      ...occasion,
      left_passive_1: '4,5',
      left_passive_past: 'on',
      right_active_3: '12'
    });
    expect(trials).toEqual([
      { side: 'left', mode: 'passive', ordinal: 1, gapCm: 0, leadRaiseCm: 4.5 },
      { side: 'right', mode: 'active', ordinal: 3, gapCm: 12, leadRaiseCm: 0 }
    ]);
  });
  test('a gap longer than the leg, and no trial at all, are told at a field', () => {
    expect(messagesOf(measureForm('cm', 88), { ...occasion, left_passive_2: '88' })).toEqual({
      left_passive_2: 'Longer than the leg'
    });
    expect(messagesOf(measureForm('cm', 88), occasion)).toEqual({ left_passive_1: 'Write at least one trial' });
  });

  test('screening wants an answer to both tiers, and no contradiction', () => {
    const caps = { effortCapPct: '60', sensationCap: '4' };
    expect(Object.keys(messagesOf(screeningForm, { flags: [], ...caps }))).toEqual(['noneUrgent', 'noneClinician']);
    expect(messagesOf(screeningForm, { flags: ['hernia'], noneUrgent: 'on', noneClinician: 'on', ...caps })).toHaveProperty(
      'noneClinician'
    );
    expect(screeningForm.safeParse({ flags: ['hernia'], noneUrgent: 'on', ...caps }).success).toBe(true);
  });

  test('a clean set carries no notes', () => {
    const set = {
      id: '7f1b0c1e-2c55-4d0c-9a39-6f1d7a3f1b11',
      setIndex: 0,
      exerciseId: 'rear_hip_cycle',
      side: 'left',
      plannedS: 60,
      actualS: 60,
      clean: true,
      sensation: null,
      felt: null,
      slipped: null,
      setting: { holdS: 60 }
    };
    expect(setLogSchema.safeParse(set).success).toBe(true);
    expect(setLogSchema.safeParse({ ...set, sensation: 3 }).success).toBe(false);
    expect(setLogSchema.safeParse({ ...set, actualS: Number.NaN }).success).toBe(false);
  });
});

describe('the door', () => {
  test('turns a refusal of the core into data, and lets a fault through', async () => {
    const refuse = () => {
      throw new CoreError('baseline_missing');
    };
    expect(await enter(whole(1, 5), '3', refuse)).toEqual({ ok: false, problem: { code: 'baseline_missing', data: {} } });
    await expect(
      enter(whole(1, 5), '3', () => {
        throw new TypeError('a bug');
      })
    ).rejects.toThrow('a bug');
  });
});
