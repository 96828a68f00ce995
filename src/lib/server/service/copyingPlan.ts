import type { CopyPlanInput } from '$lib/contract/planForms';
import { CoreError, daysBetween, noPlanWishes, planProgression, weeksLeft, type PlanChange } from '$lib/core';
import type { Database } from '../db/db';
import { listChoices } from '../repo/choiceRepo';
import { findPlan, listPlansAlike, type Plan } from '../repo/planRepo';
import { solverFor } from '../solver';
import { keepPlan, newPlan, openCase, planAsk, weeksAhead, type Solving } from './planning';
import { barsOf } from './safety';
import { plainChoice } from './week';

/**
 * Makes a plan after that of somebody else with the same kind of goal: their exercises, schools, weeks and wishes, on this person's measures,
 * shelf, limits, days and minutes. What the gate keeps from this person is not carried over, and told. Whoever joins in step trains on their days, in
 * the week they are in, and settles in first: every exercise begins as it would for anybody.
 *
 * Throws: CoreError 'not_found', 'nothing_in_week' where nothing is open to this person, and those of `makePlan`.
 */
export async function copyPlan(
  db: Database,
  clientId: number,
  { fromClientId, basedOnVersion, step }: CopyPlanInput,
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
  const { often, pins, bans, weekdays, beginsAt } = theirs.wishes;
  const joins = step === 'with them' ? weekUnderWay(theirs, today) : null;
  const shape = newPlan(
    as,
    {
      schoolId: theirs.schoolId,
      weeks:
        joins === null
          ? Math.min(theirs.weeks, weeksAhead({ ...c, plan: theirs }))
          : Math.min(theirs.weeks, weeksLeft(theirs.startOn, c.goal.targetOn)),
      sessionsPerWeek: joins === null ? c.client.sessionsPerWeek : theirs.sessionsPerWeek,
      minutes: c.client.minutesPerSession,
      startOn: joins === null ? today : theirs.startOn,
      basedOnVersion
    },
    { ...noPlanWishes, often, pins, bans, ...(joins !== null && { weekdays, beginsAt }) }
  );
  const plan = { ...shape, wishes: { ...shape.wishes, joinedInWeek: joins } };
  const changed: PlanChange[] = [
    joins === null ? { code: 'copied' } : { code: 'joined', week: joins },
    ...week.filter((w) => !isOpen(w.exerciseId)).map(({ exerciseId }): PlanChange => ({ code: 'not carried', exerciseId }))
  ];
  const made = await planProgression(
    { ...planAsk(as, plan), ...(joins !== null && { fromWeek: joins }) },
    by.solve,
    by.onProgress
  );
  // Of the week they are in, the days that have gone by are not made up for.
  const weeks = made.weeks.map((w) => ({ ...w, sessions: w.sessions.filter((s) => s.on >= today) }));
  if (weeks.every((w) => w.sessions.length === 0)) throw new CoreError('plan_over');
  await keepPlan(db, as, { ...plan, changed }, { ...made, weeks }, { weekIs: 'another' });
}

/** The week a plan is in. Throws: CoreError 'plan_over' before its first and after its last. */
function weekUnderWay({ startOn, weeks }: Plan, today: string): number {
  const week = Math.floor(daysBetween(startOn, today) / 7) + 1;
  if (week < 1 || week > weeks) throw new CoreError('plan_over');
  return week;
}
