import { expect, test } from 'vitest';
import { addDays } from '$lib/core';
import { testDay } from '../testing/people';
import { play } from '../testing/sessions';
import { testDatabase } from '../testing/testDatabase';
import type { Database } from '../db/db';
import { loadGoalCase, loadLoggedCase } from './clientCase';
import { acceptProposals, decideProposal, isOpenToUndo, undoDecision } from './deciding';
import { proposalsOf } from './reviewing';
import { openLocks } from '../repo/lockRepo';

const store = testDatabase('split plan');
const refusal = (code: string) => expect.objectContaining({ code });
const proposedOn = async (db: Database, id: number, on: string) => proposalsOf(await loadLoggedCase(db, id, on));

/** Clean sessions until something is proposed that moves a dial; what is proposed, and its day. */
async function untilMoved(db: Database, id: number) {
  for (let day = 0; day < 30; day += 2) {
    const on = addDays(testDay, day);
    await play(db, id, on);
    const moved = (await proposedOn(db, id, on)).find((p) => p.verdict === 'deepen');
    if (moved) return { moved, on };
    await acceptProposals(db, id, on);
  }
  throw new Error('nothing was made harder in a month of clean work');
}

test('a decision that is taken back is proposed again, with its dial where it stood', () =>
  store.rolledBack(async (db) => {
    const id = store.splitPlanId;
    const { moved, on } = await untilMoved(db, id);
    const { exerciseId, side } = moved;
    const before = (await loadGoalCase(db, id, on)).settings;
    await decideProposal(db, id, { exerciseId, side, verdict: 'deepen', overruledBecause: '' }, on);
    const after = await loadLoggedCase(db, id, on);
    expect(after.settings).not.toEqual(before);
    expect(proposalsOf(after)).not.toContainEqual(moved);
    expect(after.decisions.filter((d) => isOpenToUndo(after, d)).at(-1)).toMatchObject({ exerciseId, side });
    await undoDecision(db, id, { exerciseId, side }, on);
    const again = await loadLoggedCase(db, id, on);
    expect(again.settings).toEqual(before);
    expect(proposalsOf(again)).toContainEqual(moved);
  }));

test('nothing is taken back once a session was begun since, nor what was never decided', () =>
  store.rolledBack(async (db) => {
    const id = store.splitPlanId;
    const { moved, on } = await untilMoved(db, id);
    const { exerciseId, side } = moved;
    await expect(undoDecision(db, id, { exerciseId: 'pigeon_forward', side }, on)).rejects.toEqual(refusal('not_found'));
    await acceptProposals(db, id, on);
    await play(db, id, addDays(on, 2));
    const since = await loadLoggedCase(db, id, addDays(on, 2));
    expect(since.decisions.filter((d) => isOpenToUndo(since, d))).toEqual([]);
    await expect(undoDecision(db, id, { exerciseId, side }, addDays(on, 2))).rejects.toEqual(refusal('decision_carried_on'));
  }));

test('a stop is not taken back: a named person clears it in Check', () =>
  store.rolledBack(async (db) => {
    const id = store.splitPlanId;
    await play(db, id, testDay);
    const { exerciseId, side } = (await proposedOn(db, id, testDay))[0]!;
    await decideProposal(db, id, { exerciseId, side, verdict: 'stop', overruledBecause: 'It looked wrong.' }, testDay);
    await expect(undoDecision(db, id, { exerciseId, side }, testDay)).rejects.toEqual(refusal('stop_not_undone'));
    expect(openLocks((await loadGoalCase(db, id, testDay)).locks)).toHaveLength(1);
  }));

test('of what works one motion each has its turn: what stands last in a session is not forestalled for ever', () =>
  store.rolledBack(async (db) => {
    const id = store.splitPlanId;
    const moved: string[] = [];
    for (let day = 0; day < 18; day += 2) {
      const on = addDays(testDay, day);
      await play(db, id, on);
      const proposed = (await proposedOn(db, id, on)).filter((p) => p.verdict === 'deepen');
      moved.push(...new Set(proposed.map((p) => p.exerciseId)));
      await acceptProposals(db, id, on);
    }
    expect(new Set(moved)).toEqual(
      new Set(['front_hamstring_cycle', 'rear_hip_cycle', 'front_leg_lift', 'rear_knee_lift', 'front_split_on_stack'])
    );
  }));
