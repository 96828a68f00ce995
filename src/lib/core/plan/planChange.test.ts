import { describe, expect, test } from 'vitest';
import {
  exerciseOf,
  mendOf,
  movedSets,
  noPlanWishes,
  planChangeText,
  weekNotes,
  weekNoteText,
  wishedChanges,
  type PlanChange,
  type PlanShape
} from '../index';

const shape: PlanShape = {
  minutes: 45,
  sessionsPerWeek: 3,
  schoolId: 'long_hold',
  weekdays: [],
  easyWeeks: [4],
  busyOn: [],
  wishes: noPlanWishes
};
const place = { exerciseId: 'rear_hip_cycle', session: 2 };

const goalName = () => 'Lotus';

describe('wishedChanges', () => {
  test('nothing wished otherwise is nothing', () => expect(wishedChanges(shape, { ...shape }, goalName)).toEqual([]));
  test('tells every wish once, and what became free', () => {
    const wishes = {
      ...noPlanWishes,
      often: { front_leg_lift: 'each session' as const },
      pins: [place],
      sessions: { 2: { atHome: true as const, beginsAt: '07:30' } },
      hardSessions: 1,
      stretchMin: 25,
      themes: true,
      also: [{ goalId: 7, weight: 'half as much' as const }]
    };
    const other: PlanShape = {
      minutes: 30,
      sessionsPerWeek: 2,
      schoolId: 'drills',
      weekdays: [1, 4],
      easyWeeks: [],
      busyOn: ['2026-03-04'],
      wishes
    };
    expect(wishedChanges(shape, other, goalName)).toEqual([
      { code: 'minutes', from: 45, to: 30 },
      { code: 'sessions', from: 3, to: 2 },
      { code: 'school', from: 'long_hold', to: 'drills' },
      { code: 'weekdays', to: [1, 4] },
      { code: 'easy', week: 4, isEasy: false },
      { code: 'busy', days: 1 },
      { code: 'session', session: 2, wish: { atHome: true, beginsAt: '07:30' } },
      { code: 'hard sessions', to: 1 },
      { code: 'most stretch', toMin: 25 },
      { code: 'themes', isOn: true },
      { code: 'serves', goal: 'Lotus', weight: 'half as much' },
      { code: 'pinned', ...place },
      { code: 'often', exerciseId: 'front_leg_lift', often: 'each session' }
    ]);
    expect(wishedChanges(other, shape, goalName)).toContainEqual({ code: 'freed', ...place });
  });
  test('from kept in to kept out is one change', () => {
    const pinned = { ...shape, wishes: { ...noPlanWishes, pins: [place] } };
    const banned = { ...shape, wishes: { ...noPlanWishes, bans: [place] } };
    expect(wishedChanges(pinned, banned, goalName)).toEqual([{ code: 'banned', ...place }]);
  });
});

test('sets that moved are counted over the week', () =>
  expect(
    movedSets(
      [[{ exerciseId: 'a', sets: 2 }], [{ exerciseId: 'a', sets: 1 }, { exerciseId: 'b', sets: 1 }]], // prettier-ignore
      [[{ exerciseId: 'a', sets: 3 }], [{ exerciseId: 'b', sets: 2 }]]
    )
  ).toEqual([{ code: 'sets', exerciseId: 'b', from: 1, to: 2 }]));

test('every change is a whole sentence with its figures', () => {
  const changes: PlanChange[] = [
    { code: 'minutes', from: 45, to: 30 },
    { code: 'sessions', from: 3, to: 1 },
    { code: 'school', from: 'long_hold', to: 'drills' },
    { code: 'weekdays', to: [] },
    { code: 'weekdays', to: [1, 7] },
    { code: 'easy', week: 3, isEasy: true },
    { code: 'busy', days: 2 },
    { code: 'busy', days: 0 },
    { code: 'pinned', exerciseId: 'rear_hip_cycle', session: null },
    { code: 'banned', ...place },
    { code: 'freed', ...place },
    { code: 'often', exerciseId: 'rear_hip_cycle', often: 'once a week' },
    { code: 'slid', weeks: 1 },
    { code: 'dropped', sessions: 2 },
    { code: 'restored', version: 4 },
    { code: 'copied' },
    { code: 'not carried', exerciseId: 'rear_hip_cycle' },
    { code: 'sets', exerciseId: 'rear_hip_cycle', from: 2, to: 1 }
  ];
  for (const change of changes) expect(planChangeText(change), change.code).toMatch(/^[A-Z“\d].*\.$/);
  expect(planChangeText(changes[4]!)).toBe('Sessions are on Monday, Sunday.');
  expect(planChangeText(changes[17]!)).toBe('Rear hip, half kneeling: 1 set a week in place of 2.');
});

describe('what a week goes without', () => {
  const week = ['front_hamstring_cycle', 'rear_hip_cycle', 'front_leg_lift'].map((id) => exerciseOf(id));
  const only = (...ids: string[]) => [week.map(({ id }) => ({ exerciseId: id, sets: ids.includes(id) ? 1 : 0 }))];

  test('an exercise without room, a motion that nothing works, and range that is opened without active work', () => {
    expect(weekNotes(week, only('front_hamstring_cycle'), ['HF-KS', 'HE', 'HAB'])).toEqual([
      { code: 'not in the week', exerciseId: 'rear_hip_cycle' },
      { code: 'not in the week', exerciseId: 'front_leg_lift' },
      { code: 'no room for it', link: 'HE' },
      { code: 'nothing for it', link: 'HAB' },
      { code: 'no room for active work', link: 'HF-KS' }
    ]);
  });
  test('what no exercise of the week could mend is told as that', () => {
    const passive = week.filter((e) => e.id === 'rear_hip_cycle');
    const notes = weekNotes(passive, [[{ exerciseId: 'rear_hip_cycle', sets: 1 }]], ['HE']);
    expect(notes).toEqual([{ code: 'nothing active for it', link: 'HE' }]);
    expect(weekNoteText(notes[0]!)).toMatch(/^Front of the hip is stretched/);
  });
  test('what came since, or waits for a figure, counts as done', () =>
    expect(weekNotes(week, [[{ exerciseId: 'front_hamstring_cycle', sets: 1 }]], ['HF-KS', 'HE'])).toEqual([
      { code: 'nothing active for it', link: 'HE' }
    ]));
  test('what was noted to make it worse is out, what was noted without effect is told', () => {
    const effectOf = (id: string) => (id === 'front_leg_lift' ? ('worse' as const) : id === 'rear_hip_cycle' ? ('nothing' as const) : undefined); // prettier-ignore
    expect(weekNotes(week, only(...week.map((e) => e.id)), ['HF-KS'], effectOf)).toEqual([
      { code: 'worse', exerciseId: 'front_leg_lift' },
      { code: 'without effect', exerciseId: 'rear_hip_cycle' },
      { code: 'no room for active work', link: 'HF-KS' }
    ]);
    expect(weekNoteText({ code: 'worse', exerciseId: 'front_leg_lift' })).toBe(
      'Straight-leg lift, sitting tall is out: it was noted as making it worse.'
    );
  });
  test('what is kept in a place and found no room there is told with the place to let go of', () => {
    const pins = [
      { exerciseId: 'rear_hip_cycle', session: 2 },
      { exerciseId: 'front_leg_lift', session: 1 }
    ];
    const held = (sets: number) => week.map((e) => ({ exerciseId: e.id, sets: e.id === 'rear_hip_cycle' ? sets : 1 }));
    const notes = weekNotes(week, [held(1), held(0)], [], undefined, pins);
    expect(notes).toEqual([{ code: 'no room where kept', exerciseId: 'rear_hip_cycle', session: 2 }]);
    expect(mendOf(notes[0]!)).toEqual({ code: 'free', exerciseId: 'rear_hip_cycle', session: 2 });
  });
  test('a whole week has nothing to say', () => expect(weekNotes(week, only(...week.map((e) => e.id)), ['HF-KS'])).toEqual([]));
});

describe('missed sessions that were merged', () => {
  const text = (sessions: number, into: readonly string[], without: readonly string[]) =>
    planChangeText({ code: 'merged', sessions, into, without });
  test('tell what the next takes in, what found no room in it, and where they held nothing of their own', () => {
    expect(text(2, ['front_leg_lift', 'rear_hip_cycle'], [])).toBe(
      '2 missed sessions merged into the next, which takes in: Straight-leg lift, sitting tall, Rear hip, half kneeling.'
    );
    expect(text(1, [], ['rear_hip_cycle'])).toBe(
      '1 missed session merged into the next. Without room in it: Rear hip, half kneeling.'
    );
    expect(text(2, [], [])).toBe('2 missed sessions merged into what comes: nothing was held by them alone.');
  });
});
