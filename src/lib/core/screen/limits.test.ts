import { describe, expect, test } from 'vitest';
import facts from '../fixtures/beighton.json';
import {
  before,
  beighton,
  beightonItems,
  capsOf,
  endStopOf,
  goalOf,
  goals,
  joints,
  jointsOfGoal,
  isScreeningDue,
  screen,
  screeningEveryDays,
  screeningRows,
  screeningTopics,
  topicsFor,
  addDays,
  type BeightonItem
} from '../index';

const of = (flags: string[], more: Partial<Parameters<typeof screen>[0]> = {}) => screen({ flags, ageYears: 35, ...more });

describe('beighton', () => {
  const ids = beightonItems.map((i) => i.id);
  // Source: Beighton 1973 and the 2017 thresholds (recalled with high confidence); the scored examples are sums.
  test.each(facts.worked_examples)('age $age, $stage: $score', (example) => {
    const items = ids.filter((_, i) => example.points[i] === 1);
    const found = beighton(items, example.age, example.stage === 'pre-pubertal' ? 'pre-pubertal' : 'adult');
    expect(found).toEqual({
      score: example.score,
      threshold: example.threshold_2017,
      meets: example.meets_2017_threshold
    });
  });
  test('has the nine items, each once', () => {
    expect(ids).toHaveLength(facts.items.reduce((s, i) => s + i.points, 0));
    expect(beighton(['trunk', 'trunk'] as BeightonItem[], 30).score).toBe(1);
  });
});

// Source: cautious defaults from general exercise-safety practice, an assumption not reviewed by a clinician (docs/sources.md#screening).
describe('rows with limits', () => {
  test('every row that limits brings a limit or a caution, and every id is there once', () => {
    for (const row of screeningRows.filter((r) => r.tier === 'limits' && r.id !== 'unstable_joints')) {
      const { clearance, limits, cautions } = of([row.id]);
      expect(['go', 'go with limits'], row.id).toContain(clearance);
      expect(limits.length - 2 + cautions.length, row.id).toBeGreaterThan(0);
    }
    expect(new Set(screeningRows.map((r) => r.id)).size).toBe(screeningRows.length);
  });

  test.each([
    ['pregnant_well', 30],
    ['after_birth', 40],
    ['blood_pressure_controlled', 40],
    ['old_strain', 40],
    ['tendon_medicines', 40],
    ['rehabilitation', 40]
  ])('%s caps effort at %i %%', (flag, pct) => expect(capsOf(of([flag]).limits).effortPct).toBe(pct));

  test('a limit carries the side that was said, and the tightest of several counts', () => {
    const { limits } = of(['old_strain', 'pregnant_well'], { sides: { old_strain: 'left' } });
    expect(capsOf(limits).effortPct).toBe(30);
    expect(limits.filter((l) => l.kind === 'deepening at most every').map((l) => [l.value, l.side])).toEqual([[14, 'left']]);
  });

  test('an ache where the muscle starts rests its line, on its side or on both', () => {
    const lines = (flags: string[], more = {}) =>
      of(flags, more).limits.flatMap((l) => (l.line ? [[l.line, l.side ?? 'both']] : []));
    expect(lines(['attachment_ache'], { sides: { attachment_ache: 'right' } })).toEqual([['hamstring', 'right']]);
    expect(lines(['groin_ache'])).toEqual([
      ['inner thigh', 'both'],
      ['hip flexor', 'both']
    ]);
  });

  test('very mobile joints: limits alone, and a clinician first where they are unstable', () => {
    const items = beightonItems.slice(0, 5).map((i) => i.id);
    const calm = of([], { beighton: items });
    expect(calm.clearance).toBe('go with limits');
    expect(capsOf(calm.limits).sensation).toBe(3);
    expect(calm.limits.some((l) => l.kind === 'active work first')).toBe(true);
    expect(of(['unstable_joints'], { beighton: items }).clearance).toBe('clinician first');
    expect(of(['unstable_joints']).clearance).toBe('go');
  });

  test('an end stop is a limit of its motion and side, the tightest one', () => {
    const { limits } = of([], {
      endStops: [
        { motion: 'KF', side: null, deg: 120 },
        { motion: 'KF', side: 'left', deg: 110 }
      ]
    });
    expect(endStopOf(limits, 'KF', 'left')?.value).toBe(110);
    expect(endStopOf(limits, 'KF', 'right')?.value).toBe(120);
    expect(endStopOf(limits, 'HE', 'right')).toBeNull();
  });
});

// Source: common practice, the cautious side (docs/sources.md#screening).
describe('the joints of a goal', () => {
  const ask = (joints: Parameters<typeof topicsFor>[0]['joints']) =>
    topicsFor({ ageYears: 35, flags: [], beighton: [], joints }).find((t) => t.id === 'goal');

  test.each([
    ['range_WE', ['elbow', 'wrist']],
    ['range_SF', ['neck', 'shoulder', 'elbow']],
    ['lotus', ['back', 'hip', 'knee', 'ankle']],
    ['desk_ease', ['neck', 'shoulder', 'back']],
    ['range_ADF', ['knee', 'ankle']]
  ] as const)('of %s are %j at least', (kind, asked) =>
    expect(jointsOfGoal(goalOf(kind))).toEqual(expect.arrayContaining([...asked]))
  );
  test('every goal has some, and each is asked after pain, injury, an operation, slipping and numbness', () => {
    for (const goal of goals) expect(jointsOfGoal(goal).length, goal.id).toBeGreaterThan(0);
    for (const joint of joints) {
      const texts = ask([joint])!
        .rows.map((r) => r.text)
        .join();
      for (const word of ['mildly', 'moderately', 'severely', '12 weeks', 'operated on', 'slips', 'numb'])
        expect(texts, joint).toContain(word);
    }
    expect(ask([])).toBeUndefined();
    expect(ask(['hip', 'knee'])).toBe(ask(['hip', 'knee']));
    expect(ask(['wrist'])!.rows.every((r) => r.joint?.at === 'wrist')).toBe(true);
  });
  test.each(['severe', 'recent', 'numb'])('“%s” of any joint waits for a clinician', (finding) => {
    for (const joint of joints) expect(of([`joint_${joint}_${finding}`]).clearance, joint).toBe('clinician first');
  });
  test('mild pain leaves the work as hard as it is, moderate pain rests the joint on its side, what slips stays off its end', () => {
    const on = (finding: string) => of([`joint_wrist_${finding}`], { sides: { [`joint_wrist_${finding}`]: 'left' } });
    expect(on('mild').limits[0]).toMatchObject({ kind: 'no deepening', joint: 'wrist', side: 'left' });
    expect(on('moderate').limits[0]).toMatchObject({ kind: 'joint rests', joint: 'wrist', side: 'left' });
    expect(on('unstable').limits[0]).toMatchObject({ kind: 'no end-range work', joint: 'wrist', side: 'left' });
    expect(of(['joint_neck_unstable']).clearance).toBe('clinician first');
  });
});

describe('the conversation', () => {
  test('asks of growth only the young, and of end stops only whom they bear on', () => {
    const cards = (ageYears: number, flags: string[] = []) =>
      topicsFor({ ageYears, flags, beighton: [], joints: [] }).map((t) => t.id);
    expect(cards(17)).toContain('age');
    expect(cards(30)).not.toContain('age');
    expect(cards(30)).not.toContain('stops');
    expect(cards(30, ['artificial_knee'])).toContain('stops');
    expect(cards(30, ['bony_stop'])).toContain('stops');
  });

  // Source: common practice; the topics a screening goes through.
  test('covers every topic', () =>
    expect(screeningTopics.map((t) => t.id)).toEqual(
      expect.arrayContaining(['now', 'injury', 'joints', 'mobility', 'birth', 'back', 'heart', 'age', 'touch', 'week', 'caps'])
    ));

  test('is due again after half a year, or when the questions have changed', () => {
    expect(isScreeningDue('2026-01-01', 'a', 'a', addDays('2026-01-01', screeningEveryDays))).toBe(false);
    expect(isScreeningDue('2026-01-01', 'a', 'a', addDays('2026-01-01', screeningEveryDays + 1))).toBe(true);
    expect(isScreeningDue('2026-01-01', 'a', 'b', '2026-01-02')).toBe(true);
  });
});

describe('the three taps before a session', () => {
  const well = { newSymptom: false, symptom: null, soreness: 1, today: [] } as const;
  test('all well: it starts as planned', () =>
    expect(before(well)).toEqual({ starts: true, easier: false, limits: [], because: [] }));
  test('a new symptom waits for what it is, and then for what the picker says', () => {
    expect(before({ ...well, newSymptom: true }).starts).toBe(false);
    const told = (kind: 'stretch_or_work' | 'pinch' | 'joint' | 'nerve') =>
      before({ ...well, newSymptom: true, symptom: { kind, place: 'groin', side: 'left' } });
    expect(told('stretch_or_work')).toMatchObject({ starts: true, easier: false });
    expect(told('pinch')).toMatchObject({ starts: true, easier: true });
    expect(told('joint').starts).toBe(false);
    expect(told('nerve').starts).toBe(false);
  });
  test.each([
    [3, true, false],
    [4, true, true],
    [7, false, true]
  ])('soreness %i', (soreness, starts, easier) => expect(before({ ...well, soreness })).toMatchObject({ starts, easier }));
  test('painkillers hide what should be felt: nothing is deepened; tiredness eases', () => {
    expect(before({ ...well, today: ['painkillers'] }).limits.map((l) => l.kind)).toEqual(['no deepening']);
    expect(before({ ...well, today: ['poor sleep'] }).easier).toBe(true);
    expect(before({ ...well, today: ['period'] })).toMatchObject({ starts: true, easier: false });
  });
  test('refuses a soreness that is none', () =>
    expect(() => before({ ...well, soreness: 11 })).toThrow(expect.objectContaining({ code: 'out_of_range' })));
});
