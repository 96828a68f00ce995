import type { StartInput } from '$lib/contract/forms';
import type { SetLogInput } from '$lib/contract/setForms';
import { isAsked, timelineOf } from '$lib/core';
import type { Database } from '../db/db';
import { lanternHallShelf } from '../demo/lanternHall';
import { insertProp } from '../repo/propRepo';
import { getPrescribed } from '../repo/sessionRepo';
import { loadGoalCase } from '../service/clientCase';
import { makePlan } from '../service/planning';
import { finishSession, logSets, startSession } from '../service/practising';
import { passCheck, personWithGoal, take, testDay } from './people';

/** Five in the afternoon of a day. */
export const at = (on: string) => new Date(`${on}T17:00:00`);

/** A person with nothing new to say before a session. */
export const fit: StartInput = {
  answer: null,
  reason: '',
  newSymptom: false,
  symptom: null,
  soreness: 0,
  today: [],
  overdueCheck: false,
  sameDay: false
};

/** A person 20 cm from the front split, with the demo's shelf and six weeks planned. */
export async function personWithSplitPlan(db: Database): Promise<number> {
  for (const prop of lanternHallShelf) await insertProp(db, prop);
  const id = await personWithGoal(db, 'front_split');
  await passCheck(db, id, testDay);
  for (const side of ['left', 'right'] as const) await take(db, id, 'front_split_gap', side, [20, 20.5], { on: testDay });
  const plan = { schoolId: 'long_hold', weeks: 6, sessionsPerWeek: 3, minutes: 45, startOn: testDay, basedOnVersion: 0 } as const;
  await makePlan(db, id, plan, testDay);
  return id;
}

export const nextSession = async (db: Database, id: number, on = testDay): Promise<number> =>
  (await loadGoalCase(db, id, on)).sessions.find((s) => s.status === 'planned')!.id;

/** Plays the next session whole, every set clean unless told otherwise. */
export async function play(
  db: Database,
  id: number,
  on: string,
  say: (set: { exerciseId: string }) => Partial<SetLogInput> = () => ({}),
  before: Partial<StartInput> = {}
): Promise<number> {
  const sessionId = await nextSession(db, id, on);
  await startSession(db, id, sessionId, { ...fit, answer: 'accept', ...before }, at(on));
  const logs = timelineOf(await getPrescribed(db, sessionId)).sets.map((set) => {
    const plannedS = Math.round(set.endS - set.workStartS);
    const clean = isAsked(set.work) ? true : null;
    return {
      id: crypto.randomUUID(),
      setIndex: set.index,
      exerciseId: set.exerciseId,
      side: set.side,
      plannedS,
      actualS: plannedS,
      setting: set.work.setting,
      ...{ clean, sensation: null, felt: null, slipped: null },
      ...say(set)
    };
  });
  await logSets(db, id, sessionId, logs);
  await finishSession(db, id, sessionId, { status: 'done' }, at(on));
  return sessionId;
}
