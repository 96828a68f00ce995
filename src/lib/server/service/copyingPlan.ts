import type { CopyPlanInput } from '$lib/contract/forms';
import { CoreError, planProgression, type PlanChange } from '$lib/core';
import type { Database } from '../db/db';
import { listChoices, replaceChoices } from '../repo/choiceRepo';
import { findPlan, listPlansAlike } from '../repo/planRepo';
import { solverFor } from '../solver';
import { keepPlan, newPlan, openCase, planAsk, weeksAhead, type Solving } from './planning';
import { barsOf } from './safety';
import { plainChoice } from './week';

/**
 * Makes a plan after that of somebody else with the same kind of goal: their exercises, schools, weeks and wishes, on this person's measures,
 * shelf, limits, days and minutes. What the gate keeps from this person is not carried over, and told.
 *
 * Throws: CoreError 'not_found', 'nothing_in_week' where nothing is open to this person, and those of `makePlan`.
 */
export async function copyPlan(
  db: Database,
  clientId: number,
  { fromClientId, basedOnVersion }: CopyPlanInput,
  today: string,
  by: Solving = { solve: solverFor() }
): Promise<void> {
  const c = await openCase(db, clientId, today, basedOnVersion);
  const from = (await listPlansAlike(db, c.goal.kind, clientId)).find((p) => p.clientId === fromClientId);
  const theirs = from && (await findPlan(db, from.goalId));
  if (!theirs) throw new CoreError('not_found', { what: 'plan' });
  const week = await listChoices(db, theirs.goalId);
  const isOpen = (exerciseId: string) => {
    const exercise = c.catalogue.find((e) => e.id === exerciseId);
    return exercise !== undefined && barsOf(c, exercise).length === 0;
  };
  const carried = week.filter((w) => isOpen(w.exerciseId));
  if (carried.length === 0) throw new CoreError('nothing_in_week');
  // Cycles and lifts were shaped for their body; the policies go with what this person prefers.
  const choices = carried.map(({ exerciseId, schoolId }) => ({ ...plainChoice(exerciseId), schoolId }));
  const as = { ...c, choices };
  const { often, pins, bans } = theirs.wishes;
  const plan = newPlan(
    as,
    {
      schoolId: theirs.schoolId,
      weeks: Math.min(theirs.weeks, weeksAhead({ ...c, plan: theirs })),
      sessionsPerWeek: c.client.sessionsPerWeek,
      minutes: c.client.minutesPerSession,
      startOn: today,
      basedOnVersion
    },
    { often, pins, bans, weekdays: [], easyWeeks: null, busyOn: [], beginsAt: null }
  );
  const changed: PlanChange[] = [
    { code: 'copied' },
    ...week.filter((w) => !isOpen(w.exerciseId)).map(({ exerciseId }): PlanChange => ({ code: 'not carried', exerciseId }))
  ];
  const { weeks } = await planProgression(planAsk(as, plan), by.solve, by.onProgress);
  await keepPlan(db, as, { ...plan, changed }, weeks, (tx) => replaceChoices(tx, c.goal.id, choices));
}
