import { describe, expect, test } from 'vitest';
import { addDays, goals, measureOf } from '$lib/core';
import { listForecasts } from '../repo/forecastRepo';
import { caseMemory } from './caseMemory';
import { updateOccasionRemoved } from '../repo/occasionRepo';
import { passCheck, personWithGoal, take, testDay } from '../testing/people';
import { testDatabase } from '../testing/testDatabase';
import type { Database } from '../db/db';
import { loadGoalCase } from './clientCase';
import { changeClient } from './changing';
import { outlooksOf } from './forecasting';

const given = testDatabase();

const day = (week: number) => addDays(testDay, 7 * week);
const way = measureOf('turnout_angle').ways[0]!;
/** Turnout, so many weeks on. */
const turnout = (db: Database, id: number, week: number, value: number) =>
  take(db, id, 'turnout_angle', null, [value], { on: day(week), way, mode: 'active' });
const outlooks = async (db: Database, id: number, today: string) => outlooksOf(db, await loadGoalCase(db, id, today));

describe('a forecast is kept with its day', () => {
  test('with every measure of the headline, and held against the next ones that are alike', () =>
    given.rolledBack(async (db) => {
      const id = await personWithGoal(db, 'turnout');
      await turnout(db, id, 0, 90);
      await turnout(db, id, 2, 92);
      await turnout(db, id, 4, 93);
      const { goal } = await loadGoalCase(db, id, testDay);
      const kept = await listForecasts(db, goal.id);
      expect(kept.map((f) => f.madeOn)).toEqual([testDay, day(2), day(4)]);
      expect(kept[0]!.bands[0]!.week).toBe(0);
      // The second answers the first; the third the second, which is newer than the first and as near.
      const scores = await caseMemory(db).scoreTotals();
      expect(scores.reduce((sum, s) => sum + s.scores, 0)).toBe(2);
      expect(scores.every((s) => s.kind === 'turnout' && s.people === 1)).toBe(true);
      expect(scores.reduce((sum, s) => sum + s.held90, 0)).toBe(2);
    }));

  test('a measure far off its band is told as such; one that is taken back is not counted', () =>
    given.rolledBack(async (db) => {
      const id = await personWithGoal(db, 'turnout');
      await turnout(db, id, 0, 90);
      const far = await turnout(db, id, 1, 140);
      const memory = caseMemory(db);
      expect(await memory.scoreTotals()).toMatchObject([{ scores: 1, held90: 0, held50: 0, people: 1 }]);
      await changeClient(db, id, (tx) => updateOccasionRemoved(tx, id, far, testDay));
      expect(await memory.scoreTotals()).toEqual([]);
      // Somebody else's measure is counted beside those that are remembered.
      const other = await personWithGoal(db, 'turnout');
      for (const week of [0, 1]) await turnout(db, other, week, 90);
      expect(await memory.scoreTotals()).toMatchObject([{ scores: 1, held90: 1, people: 1 }]);
    }));

  test('other measures, and a headline taken another way, answer nothing', () =>
    given.rolledBack(async (db) => {
      const id = await personWithGoal(db, 'turnout');
      await turnout(db, id, 0, 90);
      await take(db, id, 'HER0', 'left', [40], { on: day(1), way: 'goniometer' });
      await take(db, id, 'turnout_angle', null, [80], { on: day(2), way, mode: 'active', state: 'cold' });
      expect(await caseMemory(db).scoreTotals()).toEqual([]);
    }));
});

describe('an outlook', () => {
  test.each(goals.map((g) => [g.id, g.headline] as const))('stands for %s before and after a measure of %s', (kind, headline) =>
    given.rolledBack(async (db) => {
      const id = await personWithGoal(db, kind);
      await passCheck(db, id, testDay);
      const before = await outlooks(db, id, testDay);
      const measure = measureOf(headline);
      expect(before).toHaveLength(measure.sides === 'each' ? 2 : 1);
      for (const o of before) expect(o).toMatchObject({ ask: null, why: 'no measure', trend: null });
    })
  );

  test('minutes and points have no known error: a trend, but nothing foretold', () =>
    given.rolledBack(async (db) => {
      const id = await personWithGoal(db, 'easy_seat');
      await passCheck(db, id, testDay);
      for (const [i, minutes] of [4, 6, 9].entries())
        await take(db, id, 'easy_seat_minutes', null, [minutes], {
          on: day(2 * i),
          way: measureOf('easy_seat_minutes').ways[0]!
        });
      const [outlook] = await outlooks(db, id, day(5));
      expect(outlook).toMatchObject({ ask: null, why: 'not foretold' });
      expect(outlook!.trend!.rate.slope).toBeCloseTo(1.25, 9);
      // The line goes on to 13.8 min in three weeks.
      const { weeks, low, high } = outlook!.next!;
      expect([weeks, (low + high) / 2]).toEqual([3, expect.closeTo(6 + 1 / 3 + 1.25 * 6, 6)]);
    }));

  test('weeks ahead reach the date of the goal, and a year at most', () =>
    given.rolledBack(async (db) => {
      const id = await personWithGoal(db, 'turnout', { targetOn: day(30) });
      await passCheck(db, id, testDay);
      await turnout(db, id, 0, 90);
      expect((await outlooks(db, id, testDay))[0]!.ask!.weeks).toBe(30);
      expect((await outlooks(db, id, day(29)))[0]!.ask!.weeks).toBe(12);
      const far = await personWithGoal(db, 'turnout', { targetOn: addDays(testDay, 900) });
      await passCheck(db, far, testDay);
      await turnout(db, far, 0, 90);
      expect((await outlooks(db, far, testDay))[0]!.ask!.weeks).toBe(52);
    }));

  test('nothing is foretold to who may not train', () =>
    given.rolledBack(async (db) => {
      const id = await personWithGoal(db, 'turnout');
      await turnout(db, id, 0, 90);
      expect(await outlooks(db, id, testDay)).toMatchObject([{ ask: null, why: 'closed' }]);
      await passCheck(db, id, testDay);
      expect((await outlooks(db, id, testDay))[0]!.ask).not.toBeNull();
      await passCheck(db, id, testDay, ['nerve_signs']);
      expect(await outlooks(db, id, testDay)).toMatchObject([{ ask: null, why: 'closed' }]);
    }));
});
