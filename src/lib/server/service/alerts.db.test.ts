import { describe, expect, test } from 'vitest';
import { addDays, measureOf } from '$lib/core';
import { personWithGoal, take, testDay } from '../testing/people';
import { play } from '../testing/sessions';
import { testDatabase } from '../testing/testDatabase';
import type { TrialInput } from '$lib/contract/measureForms';
import type { Database } from '../db/db';
import { alertsOf } from './alerts';
import { loadLoggedCase } from './clientCase';
import { acceptProposals } from './deciding';
import { outlooksOf } from './forecasting';
import { saveOccasion } from './measuring';
import { proposalsOf } from './reviewing';

const store = testDatabase('split plan');
const day = (n: number) => addDays(testDay, n);
const codesOn = async (db: Database, id: number, on: string) => {
  const c = await loadLoggedCase(db, id, on);
  return alertsOf(c, await outlooksOf(db, c)).map((a) => a.code);
};

describe('what to look at', () => {
  test('nothing in the first week; few sessions after four', () =>
    store.rolledBack(async (db) => {
      const id = store.splitPlanId;
      expect(await codesOn(db, id, day(3))).toEqual([]);
      await play(db, id, day(0));
      expect(await codesOn(db, id, day(28))).toContain('attendance');
    }));

  test('a shape lost twice in one exercise, told of it alone', () =>
    store.rolledBack(async (db) => {
      const id = store.splitPlanId;
      const lost = { clean: false, sensation: 3, felt: 'expected', slipped: 'hips turned' } as const;
      for (const n of [0, 2]) {
        await play(db, id, day(n), (set) => (set.exerciseId === 'front_hamstring_cycle' ? lost : {}));
        await acceptProposals(db, id, day(n));
      }
      const c = await loadLoggedCase(db, id, day(3));
      const shape = alertsOf(c, []).filter((a) => a.code === 'shape lost');
      expect(new Set(shape.map((a) => a.exerciseId))).toEqual(new Set(['front_hamstring_cycle']));
    }));

  test('a side behind by more than its error, taken in one occasion', () =>
    store.rolledBack(async (db) => {
      const id = store.splitPlanId;
      const both = (right: number): TrialInput[] =>
        (['left', 'right'] as const).map((side) => ({
          measureId: 'front_split_gap',
          side,
          mode: 'passive',
          way: 'tape',
          support: '',
          ordinal: 1,
          entries: { heightCm: side === 'left' ? 20 : right }
        }));
      const occasion = { bodyState: 'warm', dayTime: '', training: '', measurer: '', note: '' } as const;
      await saveOccasion(db, id, { ...occasion, takenOn: day(1), trials: both(22) });
      expect(await codesOn(db, id, day(1))).not.toContain('side behind');
      await saveOccasion(db, id, { ...occasion, takenOn: day(2), trials: both(33) });
      const c = await loadLoggedCase(db, id, day(2));
      expect(alertsOf(c, []).find((a) => a.code === 'side behind')).toMatchObject({ side: 'right', by: 13 });
    }));

  test('a measure far off what was foretold', () =>
    store.rolledBack(async (db) => {
      const id = store.splitPlanId;
      expect(await codesOn(db, id, testDay)).not.toContain('off the forecast');
      await take(db, id, 'front_split_gap', 'left', [45, 45], { on: day(21) });
      const c = await loadLoggedCase(db, id, day(21));
      const off = alertsOf(c, await outlooksOf(db, c)).find((a) => a.code === 'off the forecast');
      expect(off).toMatchObject({ side: 'left', value: 45, isBehind: true });
    }));

  test('goals without an error have their alerts too', () =>
    store.rolledBack(async (db) => {
      const id = await personWithGoal(db, 'easy_seat');
      const [way] = measureOf('easy_seat_minutes').ways;
      for (const n of [0, 14, 28, 42, 56]) await take(db, id, 'easy_seat_minutes', null, [10], { on: day(n), way });
      expect(await codesOn(db, id, day(57))).toContain('plateau');
    }));
});

test('accepting all leaves a stop to be looked at by itself', () =>
  store.rolledBack(async (db) => {
    const id = store.splitPlanId;
    const hurt = async (on: string) => {
      const sessionId = await play(db, id, on);
      const { rows } = await db.query(`select id from set_log where session_id = $1 and exercise_id = 'rear_hip_cycle' limit 1`, [
        sessionId
      ]);
      expect(rows).toHaveLength(1);
      await db.query(
        `insert into pain_event (id, client_id, session_id, exercise_id, work_side, place, side, kind, felt_on, note)
         values ($1, $2, $3, 'rear_hip_cycle', 'left', 'front_of_hip', 'left', 'joint', $4, '')`,
        [crypto.randomUUID(), id, sessionId, on]
      );
    };
    await hurt(day(0));
    await acceptProposals(db, id, day(0), 'no stops');
    await hurt(day(2));
    const before = proposalsOf(await loadLoggedCase(db, id, day(2)));
    expect(before.filter((p) => p.verdict === 'stop')).not.toEqual([]);
    await acceptProposals(db, id, day(2), 'no stops');
    const after = proposalsOf(await loadLoggedCase(db, id, day(2)));
    expect(after.map((p) => p.verdict)).toEqual(before.filter((p) => p.verdict === 'stop').map((p) => p.verdict));
  }));
