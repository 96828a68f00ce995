import { describe, expect, test } from 'vitest';
import { addDays } from '$lib/core';
import { testDay } from '../testing/people';
import { play } from '../testing/sessions';
import { testDatabase } from '../testing/testDatabase';
import { loadGoalCase, loadLoggedCase } from './clientCase';
import { linksDone, weeksDone, winsOf } from './history';
import { openWeek } from './week';

const store = testDatabase('split plan');

describe('what was done', () => {
  test('week by week, the newest first, with what was due', () =>
    store.rolledBack(async (db) => {
      const id = store.splitPlanId;
      expect(weeksDone(await loadLoggedCase(db, id, testDay))).toEqual([]);
      await play(db, id, testDay);
      await play(db, id, addDays(testDay, 2));
      await play(db, id, addDays(testDay, 8), () => ({ clean: false, sensation: 3, felt: 'expected', slipped: 'nothing' }));
      const weeks = weeksDone(await loadLoggedCase(db, id, addDays(testDay, 13)));
      expect(weeks.map((w) => [w.sessions, w.planned])).toEqual([
        [1, 3],
        [2, 3]
      ]);
      for (const w of weeks) expect(w.sets).toBe(w.plannedSets);
      expect(weeks[1]!.minutes).toBeGreaterThan(40);
    }));

  test('for each motion and side, passive and active apart, the warm-up left aside', () =>
    store.rolledBack(async (db) => {
      const id = store.splitPlanId;
      await play(db, id, testDay);
      const c = await loadLoggedCase(db, id, addDays(testDay, 1));
      const links = linksDone(c);
      expect(new Set(links.map((l) => l.link))).toEqual(new Set(['HF-KS', 'HE']));
      expect(links.filter((l) => l.side === 'left').length).toBe(links.filter((l) => l.side === 'right').length);
      for (const l of links) expect(l.passiveS).toBeGreaterThan(60);
      expect(linksDone({ ...c, today: addDays(testDay, 60) })).toEqual([]);
    }));

  test('small wins need clean sets', () =>
    store.rolledBack(async (db) => {
      const id = store.splitPlanId;
      await play(db, id, testDay, () => ({ clean: false, sensation: 6, felt: 'expected', slipped: 'nothing' }));
      expect(winsOf(await loadLoggedCase(db, id, testDay))).toEqual([]);
      await play(db, id, addDays(testDay, 2));
      const wins = winsOf(await loadLoggedCase(db, id, addDays(testDay, 2)));
      expect(wins.map((w) => w.code)).toContain('first lift');
      expect(wins.every((w) => w.on === addDays(testDay, 2))).toBe(true);
    }));

  test('what comes is told without what the gate bars, and not at all while training is closed', () =>
    store.rolledBack(async (db) => {
      const id = store.splitPlanId;
      const names = async () => openWeek(await loadGoalCase(db, id, testDay)).map((e) => e.id);
      expect(await names()).toContain('front_split_on_stack');
      await db.query(
        `insert into body_lock (client_id, joint, side, reason, opened_on) values ($1, 'hip', null, 'told in a test', $2)`,
        [id, testDay]
      );
      expect(await names()).not.toContain('front_split_on_stack');
      await db.query('delete from screening where client_id = $1', [id]);
      expect(await names()).toEqual([]);
    }));
});
