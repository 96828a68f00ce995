import type { ReviseInput } from '$lib/contract/forms';
import {
  addDays,
  CoreError,
  daysBetween,
  easyWeeksOf,
  movedSets,
  planProgression,
  weeksLeft,
  wishedChanges,
  type PlanChange,
  type PlanShape,
  type PlanWeek
} from '$lib/core';
import type { Database } from '../db/db';
import { listPlans, updatePlanName, type Plan } from '../repo/planRepo';
import { solverFor } from '../solver';
import { loadGoalCase, type GoalCase } from './clientCase';
import { sessionsOfPlan } from './composing';
import { keepPlan, openCase, planAsk, type Solving } from './planning';

/**
 * Solves what is to come of the plan in force once more, as it is wished now. Weeks keep their numbers and phases, and what was done stays in its
 * place; what is pinned is kept. The new version tells what was wished, and what that moved.
 *
 * Throws: CoreError 'not_found' without a plan, and those of `makePlan`.
 */
export async function revisePlan(
  db: Database,
  clientId: number,
  { basedOnVersion, missed, ...wished }: ReviseInput,
  today: string,
  by: Solving = { solve: solverFor() }
): Promise<void> {
  const c = await openCase(db, clientId, today, basedOnVersion);
  if (!c.plan) throw new CoreError('not_found', { what: 'plan' });
  await solveRest(db, { ...c, plan: c.plan }, wished, { missed, told: [] }, by);
}

/** Takes the plan back to how an earlier version was wished; what was done since stays. Throws: those of `revisePlan`. */
export async function restorePlan(
  db: Database,
  clientId: number,
  { basedOnVersion, version }: Readonly<{ basedOnVersion: number; version: number }>,
  today: string,
  by: Solving = { solve: solverFor() }
): Promise<void> {
  const c = await openCase(db, clientId, today, basedOnVersion);
  const wanted = (await listPlans(db, c.goal.id)).find((p) => p.version === version);
  if (!c.plan || !wanted) throw new CoreError('not_found', { what: 'plan' });
  const { minutes, sessionsPerWeek, schoolId, wishes } = wanted;
  const shape = { minutes, sessionsPerWeek, schoolId, wishes };
  await solveRest(db, { ...c, plan: c.plan }, shape, { missed: 'keep', told: [{ code: 'restored', version }] }, by);
}

type Rest = Readonly<{ missed: ReviseInput['missed']; told: readonly PlanChange[] }>;

async function solveRest(
  db: Database,
  c: GoalCase & { plan: Plan },
  wished: Pick<Plan, 'minutes' | 'sessionsPerWeek' | 'schoolId' | 'wishes'>,
  { missed, told }: Rest,
  by: Solving
): Promise<void> {
  const { plan } = c;
  const all = sessionsOfPlan(c);
  const late = all.filter((s) => s.status === 'planned' && s.plannedOn < c.today);
  const slidWeeks = missed === 'slide' && late[0] ? Math.ceil(daysBetween(late[0].plannedOn, c.today) / 7) : 0;
  const dropped = missed === 'drop' ? new Set(late.map((s) => s.id)) : new Set<number>();
  const ahead = all.filter((s) => s.status === 'planned' && !dropped.has(s.id));
  const fromWeek = ahead[0]?.week;
  if (fromWeek === undefined) throw new CoreError('plan_over');
  const startOn = addDays(plan.startOn, 7 * slidWeeks);
  const shape = { ...wished, weeks: Math.min(plan.weeks, weeksLeft(startOn, c.goal.targetOn)), startOn };
  const { weeks } = await planProgression({ ...planAsk(c, shape), fromWeek }, by.solve, by.onProgress);
  // Of the week under way as many sessions are over as were done or dropped.
  const over = all.filter((s) => s.week === fromWeek && (s.status !== 'planned' || dropped.has(s.id))).length;
  const rest = weeks.map((w) => (w.week === fromWeek ? { ...w, sessions: w.sessions.slice(over) } : w));
  // Moved past the goal, or with every day busy, nothing is left to come.
  if (rest.every((w) => w.sessions.length === 0)) throw new CoreError('plan_over');
  const changed: PlanChange[] = [
    ...told,
    ...(slidWeeks > 0 ? [{ code: 'slid' as const, weeks: slidWeeks }] : []),
    ...(dropped.size > 0 ? [{ code: 'dropped' as const, sessions: dropped.size }] : []),
    ...wishedChanges(shapeOf(plan), shapeOf({ ...plan, ...wished })),
    ...movedSets(usualWeek(ahead), usualWeek(rest.flatMap((w) => w.sessions.map((s) => ({ ...s, easy: w.easy })))))
  ];
  await keepPlan(db, c, { ...shape, lineId: plan.lineId, changed }, rest);
}

const shapeOf = ({
  weeks,
  wishes,
  ...plan
}: Pick<Plan, 'weeks' | 'minutes' | 'sessionsPerWeek' | 'schoolId' | 'wishes'>): PlanShape => ({
  ...plan,
  wishes,
  weekdays: wishes.weekdays,
  easyWeeks: easyWeeksOf(weeks, wishes),
  busyOn: wishes.busyOn
});

/** What the first whole week that is not easy holds. */
function usualWeek(
  sessions: readonly Readonly<{ week: number; easy: boolean; allotment: PlanWeek['sessions'][number]['allotment'] | null }>[]
) {
  const usual = sessions.filter((s) => !s.easy);
  const sizes = usual.map((s) => usual.filter((t) => t.week === s.week).length);
  const whole = usual[sizes.indexOf(Math.max(...sizes))]?.week;
  return usual.filter((s) => s.week === whole).map((s) => s.allotment ?? []);
}

/** Names a version. Throws: CoreError 'not_found'. */
export async function namePlan(
  db: Database,
  clientId: number,
  { version, name }: Readonly<{ version: number; name: string }>,
  today: string
) {
  const { goal } = await loadGoalCase(db, clientId, today);
  await updatePlanName(db, goal.id, version, name);
}
