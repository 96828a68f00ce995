import { describe, expect, test } from 'vitest';
import { goals, longHold } from '$lib/core';
import type { Database } from '../db/db';
import { lanternHallShelf } from '../demo/lanternHall';
import { insertLock } from '../repo/lockRepo';
import { insertProp } from '../repo/propRepo';
import { newPerson, passCheck, personWithGoal, take, testDay as today } from '../testing/people';
import { at, fit, nextSession, play } from '../testing/sessions';
import { testDatabase } from '../testing/testDatabase';
import { caseMemory } from './caseMemory';
import { loadCase, loadLoggedCase } from './clientCase';
import { tellLater } from './pain';
import { pathFactsOf } from './people';
import { makePlan } from './planning';
import { startSession } from './practising';
import { proposalsOf } from './reviewing';
import { waitsFor } from '$lib/contract/path';
import { pathFacts, pathOf, stationsOf } from './stations';
import { acceptProposals, decideProposal } from './deciding';
import { changeClient } from './changing';
import { setDial } from './settingDial';

const store = testDatabase();

/** What waits for a person, which the list of people and the strip must tell alike, facts and all. */
async function waits(db: Database, id: number, on = today): Promise<string> {
  const c = await loadCase(db, id, on);
  const { extent: _, screening, ...facts } = pathFacts(c);
  const row = (await caseMemory(db).people('active')).find((p) => p.id === id)!;
  const { extent: __, screening: listed, ...ofRow } = pathFactsOf(row);
  expect(ofRow).toEqual(facts);
  expect(listed?.takenOn).toBe(screening?.takenOn);
  const word = waitsFor(stationsOf(c, on))?.word ?? null;
  expect(waitsFor(pathOf(pathFactsOf(row), on))?.word ?? null).toEqual(word);
  return word?.code ?? 'nothing';
}

describe('what waits', () => {
  test('is told alike by the list of people and by the strip, all along the path of a split', () =>
    store.rolledBack(async (db) => {
      for (const prop of lanternHallShelf) await insertProp(db, prop);
      const bare = await newPerson(db, 'No Goal Yet');
      expect(await waits(db, bare)).toBe('not screened');
      await passCheck(db, bare, today);
      expect(await waits(db, bare)).toBe('goal first');
      const id = await personWithGoal(db, 'front_split');
      expect(await waits(db, id)).toBe('not screened');
      await passCheck(db, id, today);
      expect(await waits(db, id)).toBe('no baseline');
      await take(db, id, 'front_split_gap', 'left', [20], { on: today });
      await take(db, id, 'front_split_gap', 'right', [22], { on: today, mode: 'active' });
      expect(await waits(db, id)).toBe('no baseline');
      await take(db, id, 'front_split_gap', 'right', [22], { on: today });
      expect(await waits(db, id)).toBe('nothing chosen');
      for (const side of ['left', 'right'] as const)
        await setDial(
          db,
          id,
          { exerciseId: 'front_split_on_stack', side, dial: 'depthCm', value: 25, sure: true, reason: '' },
          at(today)
        );
      expect(await waits(db, id)).toBe('no plan');
      await makePlan(
        db,
        id,
        { schoolId: longHold.id, weeks: 4, sessionsPerWeek: 3, minutes: 45, startOn: today, basedOnVersion: 0 },
        today
      );
      expect(await waits(db, id)).toBe('next session');
      expect(await waits(db, id, '2026-03-20')).toBe('session overdue');
      await startSession(db, id, await nextSession(db, id), { ...fit, answer: 'accept' }, at(today));
      expect(await waits(db, id)).toBe('session running');
    }));

  test('after a session its verdicts wait, one by one, and once more when pain is told later', () =>
    store.rolledBack(async (db) => {
      for (const prop of lanternHallShelf) await insertProp(db, prop);
      const id = await personWithGoal(db, 'front_split');
      await passCheck(db, id, today);
      for (const side of ['left', 'right'] as const) {
        await take(db, id, 'front_split_gap', side, [20], { on: today });
        await setDial(
          db,
          id,
          { exerciseId: 'front_split_on_stack', side, dial: 'depthCm', value: 25, sure: true, reason: '' },
          at(today)
        );
      }
      await makePlan(
        db,
        id,
        { schoolId: longHold.id, weeks: 4, sessionsPerWeek: 3, minutes: 45, startOn: today, basedOnVersion: 0 },
        today
      );
      await play(db, id, today);
      expect(await waits(db, id)).toBe('verdicts wait');
      const [first] = proposalsOf(await loadLoggedCase(db, id, today));
      await decideProposal(
        db,
        id,
        { exerciseId: first!.exerciseId, side: first!.side, verdict: first!.verdict, overruledBecause: '' },
        today
      );
      expect(await waits(db, id)).toBe('verdicts wait');
      await acceptProposals(db, id, today);
      expect(await waits(db, id)).toBe('next session');
      const { exerciseId, side } = first!;
      const told = { place: 'elbow', kind: 'joint', side, exerciseId, workSide: side, feltOn: today, note: '' } as const;
      await tellLater(db, id, told, at(today));
      expect(await waits(db, id)).toBe('verdicts wait');
    }));

  test('a stop and a closed check come first, a check of half a year ago is told', () =>
    store.rolledBack(async (db) => {
      const id = await personWithGoal(db, 'lotus');
      await passCheck(db, id, '2025-06-01');
      expect(await waits(db, id)).toBe('check again');
      await passCheck(db, id, today);
      await changeClient(db, id, (tx) =>
        insertLock(tx, id, { stop: { joint: 'knee', side: 'left' }, reason: 'pain', openedOn: today, painEventId: null })
      );
      expect(await waits(db, id)).toBe('stops open');
      await passCheck(db, id, today, ['hernia']);
      expect(await waits(db, id)).toBe('clinician first');
    }));

  test('every goal gets past Measure, and reads as done only with a link read', () =>
    store.rolledBack(async (db) => {
      for (const goal of goals) {
        const id = await personWithGoal(db, goal.id, goal.id === 'custom' ? { title: 'Bow' } : {});
        await passCheck(db, id, today);
        expect(await waits(db, id), goal.id).toBe('no baseline');
        const read = stationsOf(await loadCase(db, id, today), today).find((s) => s.id === 'read')!;
        expect(read.state, goal.id).toBe('ahead');
      }
    }));
});
