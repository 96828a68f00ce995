import { describe, expect, test } from 'vitest';
import { topicForm, type TopicInput } from '$lib/contract/checkForms';
import { capsOf, exerciseOf, topicsFor } from '$lib/core';
import type { Database } from '../db/db';
import { findDraft } from '../repo/screeningRepo';
import { goalInput, newPerson, passCheck, personWithGoal } from '../testing/people';
import { testDatabase } from '../testing/testDatabase';
import { isCheckDue, isOpenForWork, limitsOf, relaxLimit, saveTopic, unaskedJoints } from './checking';
import { loadCase } from './clientCase';
import { closeGoal, saveGoal } from './goalSetting';
import { barsOf } from './safety';
import { stationsOf } from './stations';

const store = testDatabase();
const today = '2026-03-02';

/** The answers of one who has nothing, card by card. */
const nothing = (topic: string, more: Record<string, unknown> = {}): TopicInput =>
  topicForm.parse({
    topic,
    none: 'on',
    ...(topic === 'touch' && { answer_no_touch: 'yes', answer_untaught: 'yes', answer_first_attempt: 'no' }),
    ...(topic === 'caps' && { effortCapPct: '60', sensationCap: '4' }),
    ...more
  });

async function answerAll(db: Database, id: number, special: Record<string, Record<string, unknown>> = {}): Promise<string[]> {
  const asked: string[] = [];
  let next: string | null = 'now';
  while (next) {
    asked.push(next);
    const more = special[next];
    next = await saveTopic(db, id, more ? nothing(next, { none: undefined, ...more }) : nothing(next), today);
  }
  return asked;
}

describe('the screening as a conversation', () => {
  test('goes card by card, and opens the work at its end alone', () =>
    store.rolledBack(async (db) => {
      const id = await newPerson(db);
      const cards = topicsFor({ ageYears: 35, flags: [], beighton: [], joints: [] }).map((t) => t.id);
      expect(await answerAll(db, id)).toEqual(cards);
      const c = await loadCase(db, id, today);
      expect(isOpenForWork(c)).toBe(true);
      expect(c.screening!.clearance).toBe('go');
      expect(await findDraft(db, id)).toBeNull();
    }));

  test('can be left and gone on with; what was answered is kept, and nothing counts yet', () =>
    store.rolledBack(async (db) => {
      const id = await newPerson(db);
      await saveTopic(db, id, nothing('now'), today);
      expect(
        await saveTopic(db, id, nothing('injury', { none: undefined, flags: ['old_strain'], side_old_strain: 'left' }), today)
      ).toBe('joints');
      expect(await findDraft(db, id)).toMatchObject({
        topics: ['now', 'injury'],
        flags: ['old_strain'],
        sides: { old_strain: 'left' }
      });
      const c = await loadCase(db, id, today);
      expect([c.screening, isOpenForWork(c)]).toEqual([null, false]);
    }));

  test('a goal that moves another joint has that asked before the next session, by its card alone', () =>
    store.rolledBack(async (db) => {
      const id = await personWithGoal(db, 'front_split');
      const asked = await answerAll(db, id);
      expect(asked).toContain('goal');
      const before = await loadCase(db, id, today);
      expect([before.screening!.joints, isCheckDue(before, today)]).toEqual([['back', 'hip', 'knee'], false]);
      await saveGoal(db, id, null, goalInput('range_WE'), today);
      const wider = await loadCase(db, id, today);
      expect([unaskedJoints(wider), isCheckDue(wider, today)]).toEqual([['elbow', 'wrist'], true]);
      const hurts = { none: undefined, flags: ['joint_wrist_moderate'], side_joint_wrist_moderate: 'left' };
      expect(await saveTopic(db, id, nothing('goal', hurts), today)).toBeNull();
      const after = await loadCase(db, id, today);
      expect([unaskedJoints(after), isCheckDue(after, today)]).toEqual([[], false]);
      expect(barsOf(after, exerciseOf('wrist_palm_wall'), 'left')).not.toEqual([]);
      expect(barsOf(after, exerciseOf('wrist_palm_wall'), 'right')).toEqual([]);
      // The goal is ended: what was found at the wrist is still asked about, and holds until it is answered otherwise.
      await closeGoal(db, id, after.goals.at(-1)!.id, `${today}T10:00:00Z`);
      await saveGoal(db, id, null, goalInput('range_ADF'), today);
      expect(unaskedJoints(await loadCase(db, id, today))).toEqual(['ankle']);
      await saveTopic(db, id, nothing('goal', hurts), today);
      const later = await loadCase(db, id, today);
      expect(later.screening!.joints).toEqual(['wrist', 'back', 'hip', 'knee', 'ankle']);
      expect(barsOf(later, exerciseOf('wrist_palm_wall'), 'left')).not.toEqual([]);
    }));

  test('who is present with a minor is asked by name, and kept', () =>
    store.rolledBack(async (db) => {
      const id = await newPerson(db, 'Young Harrow', 2014);
      const asked = await answerAll(db, id, { age: { none: 'on', adult: 'Jo Harrow, mother' } });
      expect(asked).toContain('age');
      expect((await loadCase(db, id, today)).screening!.adult).toBe('Jo Harrow, mother');
      expect(topicForm.safeParse({ topic: 'age', none: 'on' }).error?.issues[0]?.path).toEqual(['adult']);
    }));

  test('asks for end stops only where they bear, and keeps them', () =>
    store.rolledBack(async (db) => {
      const id = await newPerson(db);
      const asked = await answerAll(db, id, {
        mobility: { none: 'on', beighton: ['finger_left', 'finger_right', 'thumb_left', 'thumb_right', 'trunk'] },
        stops: { stop_0_motion: 'HF-KS', stop_0_deg: '120' }
      });
      expect(asked).toContain('stops');
      const { screening } = await loadCase(db, id, today);
      expect(screening!.endStops).toEqual([{ motion: 'HF-KS', side: null, deg: 120 }]);
      expect(capsOf(screening!.limits).sensation).toBe(3);
    }));

  test('what the week holds is kept with the person', () =>
    store.rolledBack(async (db) => {
      const id = await newPerson(db);
      await saveTopic(db, id, nothing('week', { weekHolds: ['desk', 'dance'], homeProps: 'two books' }), today);
      expect((await loadCase(db, id, today)).client).toMatchObject({ weekHolds: ['desk', 'dance'], homeProps: 'two books' });
    }));

  test('asked again it begins with the earlier answers', () =>
    store.rolledBack(async (db) => {
      const id = await newPerson(db);
      await passCheck(db, id, today, ['back_history']);
      await saveTopic(db, id, nothing('now'), today);
      expect((await findDraft(db, id))!.flags).toEqual(['back_history']);
    }));

  test('is due after half a year', () =>
    store.rolledBack(async (db) => {
      const id = await personWithGoal(db, 'front_split');
      await passCheck(db, id, '2025-06-01');
      const c = await loadCase(db, id, today);
      expect(isCheckDue(c, today)).toBe(true);
      expect(stationsOf(c, today)[0]).toMatchObject({ id: 'check', state: 'due' });
    }));
});

describe('limits in force', () => {
  const clear = { clearedBy: 'Dr Moss', clearNote: 'Seen today.' };

  test('a named person relaxes one limit, and no other', () =>
    store.rolledBack(async (db) => {
      const id = await newPerson(db);
      await passCheck(db, id, today, ['back_history', 'low_bone_density']);
      const from = 'row/back_history';
      await relaxLimit(db, id, { kind: 'no loaded roll-down', from, ...clear }, today);
      const left = limitsOf(await loadCase(db, id, today)).map((l) => `${l.kind}: ${l.from}`);
      expect(left).not.toContain(`no loaded roll-down: ${from}`);
      expect(left).toContain(`no rounded fold: ${from}`);
      expect(left).toContain('no loaded roll-down: row/low_bone_density');
    }));

  test('what is no limit of theirs is not relaxed, nor the caps the instructor set', () =>
    store.rolledBack(async (db) => {
      const id = await newPerson(db);
      await passCheck(db, id, today);
      for (const from of ['nothing', 'instructor'])
        await expect(relaxLimit(db, id, { kind: 'effort cap', from, ...clear }, today)).rejects.toEqual(
          expect.objectContaining({ code: 'not_found' })
        );
    }));

  test('who was not taught the method stays at the teaching effort', () =>
    store.rolledBack(async (db) => {
      const id = await personWithGoal(db, 'front_split');
      await passCheck(db, id, today, ['untaught']);
      expect(capsOf(limitsOf(await loadCase(db, id, today))).effortPct).toBe(30);
    }));

  test('an ache said in the screening rests its line like one told in a session', () =>
    store.rolledBack(async (db) => {
      const id = await personWithGoal(db, 'front_split');
      await passCheck(db, id, today, ['attachment_ache']);
      const c = await loadCase(db, id, today);
      for (const side of ['left', 'right'] as const)
        expect(barsOf(c, exerciseOf('half_split_hold'), side)).toMatchObject([{ code: 'limit', limit: { line: 'hamstring' } }]);
      expect(barsOf(c, exerciseOf('low_lunge'), 'left')).toEqual([]);
    }));
});
