import { describe, expect, test } from 'vitest';
import {
  fromCm,
  fromKg,
  isoDate,
  readDay,
  length,
  line,
  optionalDate,
  optionalLength,
  optionalMass,
  parseDecimal,
  personName,
  toCm,
  toKg,
  whole
} from './fields';
import { runChecked } from './door';
import { answeredDraft, topicForm, type ScreeningDraft } from './checkForms';
import { startForm } from './forms';
import { setRow } from './history';
import { setLogSchema } from './setForms';
import { goalForm } from './goalForms';
import { measureForm } from './measureForms';
import { bodyLengths, CoreError, goals, measureOf, type Measure } from '$lib/core';

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

describe('a line', () => {
  test.each(['Ada\nEvelyn', 'Ada\r\nEvelyn', 'Ada \t Evelyn', 'Ada\u2028Evelyn', 'Ada\u0085Evelyn'])(
    '%j has no break',
    (typed) => {
      expect(line(20).parse(typed)).toBe('Ada Evelyn');
      expect(personName.parse(typed)).toBe('Ada Evelyn');
    }
  );
});

describe('days as they are typed', () => {
  test.each([
    ['27 Nov', '2026-12-01', '2026-11-27'],
    ['15.1.', '2026-12-01', '2027-01-15'],
    ['31 December', '2027-01-02', '2026-12-31'],
    ['29 Feb', '2027-12-01', '2028-02-29'],
    ['31 Feb', '2026-12-01', '31 Feb']
  ])('a day without its year, %s on %s, is the nearest', (typed, now, on) => expect(readDay(typed, new Date(now))).toBe(on));

  test.each([
    ['2027-05-31', '2027-05-31'],
    [' 31 May 2027 ', '2027-05-31'],
    ['31 may 2027', '2027-05-31'],
    ['1 September 2027', '2027-09-01'],
    ['31.5.2027', '2027-05-31'],
    ['29 Feb 2028', '2028-02-29']
  ])('%s', (typed, on) => {
    expect(isoDate.parse(typed)).toBe(on);
    expect(optionalDate.parse(typed)).toBe(on);
  });

  // Month and day first, or day and month: nobody can tell, so it is asked again.
  test.each(['5/6/2027', '31 Feb 2027', '29.2.2027', '31 May 27', 'soon', '2027-5-1', '1 May 2999'])('%s is no day', (typed) => {
    expect(isoDate.safeParse(typed).success).toBe(false);
    expect(optionalDate.safeParse(typed).success).toBe(false);
  });

  test('one that may stay open is nothing where nothing is typed', () => expect(optionalDate.parse('')).toBeNull());
});

describe('a goal as typed', () => {
  const form = goalForm('cm', '2026-01-01');
  const split = { kind: 'front_split', leadSide: 'left', aim: 'flat' };

  test('past flat is a negative depth; a date gone by is refused', () => {
    expect(form.parse({ ...split, aim: 'past', distanceCm: '7,5' })).toMatchObject({
      target: -7.5,
      targetOn: null,
      demands: null
    });
    expect(messagesOf(form, { ...split, targetOn: '2025-12-31' })).toHaveProperty('targetOn');
    expect(messagesOf(form, { kind: 'front_split', aim: 'flat' })).toEqual({ leadSide: 'Choose a side' });
    expect(messagesOf(form, { ...split, aim: undefined })).toEqual({ aim: 'Choose where it ends' });
  });

  test('every goal of the catalogue can be set with its own target', () => {
    for (const goal of goals)
      expect(
        form.safeParse({ kind: goal.id, leadSide: 'left', aim: 'flat', title: 'x', target: String(goal.target ?? '') }).success,
        goal.id
      ).toBe(true);
  });

  test('a target no body reaches is told beside it, and so is a need', () => {
    expect(messagesOf(form, { kind: 'turnout', target: '400' })).toEqual({ target: 'Between 0 and 240' });
    expect(messagesOf(form, { kind: 'turnout', target: '120', need_HER0_each: 'wide' })).toEqual({
      need_HER0_each: 'Write a number'
    });
  });

  test('a changed need is marked as the instructor’s; an unchanged one stays what it was', () => {
    const { demands } = form.parse({ kind: 'pancake', target: '10', 'need_HF-KS_each': '100', need_straddle_both: '' });
    expect(demands?.find((d) => d.measure === 'HF-KS')).toMatchObject({ needDeg: 100, basis: 'set by the instructor' });
    expect(demands?.find((d) => d.measure === 'straddle')).toMatchObject({ needDeg: 120, basis: 'assumption' });
  });

  test('a goal of one’s own has a name, a headline and the motions it needs', () => {
    expect(messagesOf(form, { kind: 'custom', target: '0' })).toEqual({ title: 'What is it called?' });
    expect(form.parse({ kind: 'custom', title: 'Bow', headline: 'own_angle', target: '60', need_HE: '30' })).toMatchObject({
      headline: 'own_angle',
      demands: [{ measure: 'HE', on: 'each', needDeg: 30 }]
    });
  });
});

describe('a measure as typed', () => {
  const occasion = { bodyState: 'cold', takenOn: '2026-01-01', way: 'tape' };
  const formOf = (measure: Measure, unit: 'cm' | 'in' = 'cm', legCm: number | null = 88) =>
    measureForm(measure, unit, () => bodyLengths({ statureCm: 170, legCm }), '2026-01-02');
  const gap = measureOf('front_split_gap');

  test('trials past flat are raises; empty ones are none', () => {
    const { trials } = formOf(gap).parse({
      ...occasion,
      way: 'raise',
      left_passive_1_raiseCm: '4,5',
      right_active_3_raiseCm: ''
    });
    expect(trials).toMatchObject([{ side: 'left', mode: 'passive', ordinal: 1, way: 'raise', entries: { raiseCm: 4.5 } }]);
  });

  test('a gap longer than the leg, a negative one and no trial at all are told at their field', () => {
    expect(messagesOf(formOf(gap), { ...occasion, left_passive_2_heightCm: '88' })).toEqual({
      left_passive_2_heightCm: 'Longer than the leg'
    });
    expect(messagesOf(formOf(gap), { ...occasion, left_passive_1_heightCm: '-3' }).left_passive_1_heightCm).toContain(
      'Past flat?'
    );
    expect(messagesOf(formOf(gap), occasion)).toEqual({ left_passive_1_heightCm: 'Write at least one trial' });
    expect(messagesOf(formOf(gap), { ...occasion, takenOn: '2026-01-03', left_passive_1_heightCm: '8' })).toHaveProperty(
      'takenOn'
    );
  });

  test('a gap that only one leg is long enough for is told at its field, on either side', () => {
    const legs = { left: 95, right: 80 };
    const form = measureForm(gap, 'cm', (s) => bodyLengths({ statureCm: 170, legCm: legs[s ?? 'left'] }), '2026-01-02');
    const typed = { ...occasion, left_passive_1_heightCm: '81', right_passive_1_heightCm: '81' };
    expect(messagesOf(form, typed)).toEqual({
      left_passive_1_heightCm: 'Longer than the other leg',
      right_passive_1_heightCm: 'Longer than the leg'
    });
    expect(form.parse({ ...occasion, left_passive_1_heightCm: '79' }).trials).toHaveLength(1);
  });

  test('where the leg is an estimate the message says what to do about it', () =>
    expect(messagesOf(formOf(gap, 'cm', null), { ...occasion, left_passive_1_heightCm: '95' }).left_passive_1_heightCm).toContain(
      'estimated from stature: measure it'
    ));

  test('a value beyond any body is refused, an unusual one is not', () => {
    const knee = { ...occasion, way: 'inclinometer' };
    const flexion = formOf(measureOf('HF-KB'));
    expect(messagesOf(flexion, { ...knee, left_passive_1_deg: '400' })).toEqual({ left_passive_1_deg: 'Between -90 and 240 °' });
    expect(messagesOf(flexion, { ...knee, left_passive_1_deg: '200' }).left_passive_1_deg).toContain('No body goes there');
    expect(flexion.safeParse({ ...knee, left_passive_1_deg: '165' }).success).toBe(true);
  });

  test('a way of two numbers wants both, and keeps an optional one optional', () => {
    const trunk = { ...occasion, way: 'breastbone height', both_passive_1_sternumHeightCm: '40' };
    expect(messagesOf(formOf(measureOf('trunk_fold')), trunk)).toEqual({
      both_passive_1_hipHeightCm: 'Write the hip joint too'
    });
    const raise = { ...occasion, way: 'rise and run', left_passive_1_riseCm: '60' };
    const valueOf = (more: object) => formOf(measureOf('HF-KS')).parse({ ...raise, ...more }).trials[0]?.entries;
    expect(valueOf({ left_passive_1_past: 'on' })).toEqual({ riseCm: 60, past: 1 });
    // A thigh goes nowhere past upright behind the body: there the tick is no entry.
    expect(
      formOf(measureOf('HE')).parse({ ...occasion, way: 'rise and run', left_passive_1_riseCm: '10', left_passive_1_past: 'on' })
        .trials[0]?.entries
    ).toEqual({ riseCm: 10 });
    expect(formOf(measureOf('HF-KS')).safeParse(raise).success).toBe(true);
    expect(messagesOf(formOf(measureOf('HF-KS')), { ...raise, left_passive_1_riseCm: '120' })).toHaveProperty(
      'left_passive_1_riseCm'
    );
  });

  test('inches are kept as centimetres', () =>
    expect(formOf(gap, 'in').parse({ ...occasion, left_passive_1_heightCm: '10' }).trials[0]?.entries).toEqual({
      heightCm: 25.4
    }));
});

describe('a card of the check', () => {
  test('wants a tick or "none of these", and no contradiction', () => {
    expect(messagesOf(topicForm, { topic: 'now' })).toHaveProperty('none');
    expect(messagesOf(topicForm, { topic: 'heart', flags: ['hernia'], none: 'on' })).toHaveProperty('none');
    expect(topicForm.parse({ topic: 'heart', flags: ['hernia'] }).flags).toEqual(['hernia']);
  });

  test('a plain question wants its answer, and applies the way it says', () => {
    expect(Object.keys(messagesOf(topicForm, { topic: 'touch' }))).toEqual([
      'answer_no_touch',
      'answer_untaught',
      'answer_first_attempt'
    ]);
    const answered = { topic: 'touch', answer_no_touch: 'no', answer_untaught: 'yes', answer_first_attempt: 'yes' };
    expect(topicForm.parse(answered).flags).toEqual(['no_touch', 'first_attempt']);
  });

  test('caps and end stops are numbers in their range', () => {
    expect(messagesOf(topicForm, { topic: 'caps', effortCapPct: '95', sensationCap: '' })).toEqual({
      effortCapPct: 'Between 10 and 80',
      sensationCap: 'Fill this in'
    });
    expect(messagesOf(topicForm, { topic: 'stops', stop_0_deg: 'far', stop_0_motion: 'KF' })).toHaveProperty('stop_0_deg');
    expect(topicForm.parse({ topic: 'stops', stop_0_deg: '110', stop_0_motion: 'KF', stop_0_side: 'left' }).endStops).toEqual([
      { motion: 'KF', side: 'left', deg: 110 }
    ]);
  });

  test('answered again it replaces its own answers and no others', () => {
    const draft: ScreeningDraft = {
      topics: ['heart', 'injury'],
      flags: ['hernia', 'old_strain'],
      sides: { old_strain: 'left' },
      endStops: [],
      beighton: [],
      effortCapPct: 60,
      adult: '',
      sensationCap: 4
    };
    const again = answeredDraft(draft, topicForm.parse({ topic: 'injury', none: 'on' }));
    expect(again.flags).toEqual(['hernia']);
    expect(again.sides).toEqual({});
    expect(again.topics).toEqual(['heart', 'injury']);
  });
});

describe('what the player sends', () => {
  test('the three taps are asked for, and a symptom says where and what', () => {
    expect(Object.keys(messagesOf(startForm, {}))).toEqual(['newSymptom', 'soreness']);
    expect(Object.keys(messagesOf(startForm, { newSymptom: 'yes', soreness: '0' }))).toEqual(['kind', 'place']);
    expect(startForm.parse({ newSymptom: 'no', soreness: '2' })).toMatchObject({ newSymptom: false, symptom: null, today: [] });
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
    expect(await runChecked(whole(1, 5), '3', refuse)).toEqual({ ok: false, problem: { code: 'baseline_missing', data: {} } });
    await expect(
      runChecked(whole(1, 5), '3', () => {
        throw new TypeError('a bug');
      })
    ).rejects.toThrow('a bug');
  });
});

test('a set as a row of a file has what was counted and seen of it, and by which school', () => {
  const log = {
    ...{ side: null, plannedS: 60, actualS: 48, clean: false, sensation: 5, felt: null, slipped: null, setting: { reps: 8 } },
    schoolId: 'drills',
    figures: { done: 6, of: 8, effortSeen: 7, dropDeg: 3, signs: ['trembling', 'cramp'], easier: true }
  } as const;
  expect(setRow({ ...log, figures: { ...log.figures, signs: [...log.figures.signs] } }, '2026-03-02', 'Leg lift')).toMatchObject({
    ...{ school: 'drills', side: 'both together', count: 6, count_planned: 8, effort_seen_of_10: 7, fell_deg: 3 },
    ...{ signs: 'trembling; cramp', one_step_easier: 'yes', effort_told_of_10: '', dials: 'reps 8' }
  });
});
