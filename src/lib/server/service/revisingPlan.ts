import type { ReviseInput, SwapInput } from '$lib/contract/planForms';
import {
  addDays,
  CoreError,
  daysBetween,
  easyWeeksOf,
  movedSets,
  planProgression,
  reasonText,
  weeksLeft,
  wishedChanges,
  type AlsoServed,
  type PlanChange,
  type PlanShape,
  type PlanWishes,
  type PlanWeek
} from '$lib/core';
import type { Database } from '../db/db';
import { listPlans, updatePlanName, type Plan } from '../repo/planRepo';
import type { Session } from '../repo/sessionRepo';
import { solverFor } from '../solver';
import { changeClient } from './changing';
import { isPlanned, loadGoalCase, type GoalCase, type PlannedCase } from './clientCase';
import { sessionsOfPlan } from './composing';
import { withServed } from './goalsServed';
import { exerciseIn } from './library';
import { keepPlan, openCase, planAsk, type Solving } from './planning';
import { barsOf } from './safety';
import { openWeek, plainChoice, weekOf } from './week';

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
  if (!isPlanned(c)) throw new CoreError('not_found', { what: 'plan' });
  const isKnown = ({ goalId }: AlsoServed) => c.goals.some((g) => g.id === goalId);
  const isEnded = ({ goalId }: AlsoServed) => c.plan.wishes.also.some((a) => a.goalId === goalId);
  if (!wished.wishes.also.every((a) => isKnown(a) || isEnded(a))) throw new CoreError('not_found', { what: 'goal' });
  const wishes = { ...wished.wishes, also: wished.wishes.also.filter(isKnown), joinedInWeek: c.plan.wishes.joinedInWeek };
  await solveRest(db, c, { ...wished, wishes }, { missed, told: [] }, by);
}

/**
 * Puts one exercise in the place of another, in the week and in what was wished of it, and solves what is to come again, in one step.
 *
 * Throws: CoreError 'not_found', 'exercise_barred' for what the gate bars, and those of `revisePlan`.
 */
export async function swapInPlan(
  db: Database,
  clientId: number,
  { basedOnVersion, exerciseId, by: otherId }: SwapInput,
  today: string,
  by: Solving = { solve: solverFor() }
): Promise<void> {
  const c = await openCase(db, clientId, today, basedOnVersion);
  const week = weekOf(c).map((w) => w.choice);
  if (!c.plan || week.every((w) => w.exerciseId !== exerciseId)) throw new CoreError('not_found', { what: 'exercise' });
  const [bar] = barsOf(c, exerciseIn(c.catalogue, otherId));
  if (bar) throw new CoreError('exercise_barred', { why: reasonText(bar) });
  // What is in the week already takes the place of the other by itself.
  const choices = week.flatMap((w) =>
    w.exerciseId !== exerciseId
      ? [w]
      : week.some((k) => k.exerciseId === otherId)
        ? []
        : [{ ...plainChoice(otherId), schoolId: w.schoolId }]
  );
  const { minutes, sessionsPerWeek, schoolId, wishes } = c.plan;
  const renamed = (id: string) => (id === exerciseId ? otherId : id);
  const moved = (of: PlanWishes['pins']) => of.map((p) => ({ ...p, exerciseId: renamed(p.exerciseId) }));
  const often = Object.fromEntries(Object.entries(wishes.often).map(([id, o]) => [renamed(id), o]));
  const shape = {
    minutes,
    sessionsPerWeek,
    schoolId,
    wishes: { ...wishes, often, pins: moved(wishes.pins), bans: moved(wishes.bans) }
  };
  const told: PlanChange[] = [{ code: 'swapped', exerciseId, by: otherId }];
  // The wishes went with it: what they say of the new name is no news.
  await solveRest(
    db,
    { ...c, choices, plan: { ...c.plan, wishes: shape.wishes } },
    shape,
    { missed: 'keep', told, swapped: true },
    by
  );
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
  if (!isPlanned(c) || !wanted) throw new CoreError('not_found', { what: 'plan' });
  const { minutes, sessionsPerWeek, schoolId, wishes } = wanted;
  const shape = { minutes, sessionsPerWeek, schoolId, wishes };
  await solveRest(db, c, shape, { missed: 'keep', told: [{ code: 'restored', version }] }, by);
}

type Rest = Readonly<{ missed: ReviseInput['missed']; told: readonly PlanChange[]; swapped?: true }>;

async function solveRest(
  db: Database,
  c: PlannedCase,
  wished: Pick<Plan, 'minutes' | 'sessionsPerWeek' | 'schoolId' | 'wishes'>,
  { missed, told, swapped }: Rest,
  by: Solving
): Promise<void> {
  const { plan } = c;
  const as = await withServed(db, c, wished.wishes);
  const all = sessionsOfPlan(c);
  const late = all.filter((s) => s.status === 'planned' && s.plannedOn < c.today);
  const slidWeeks = missed === 'slide' && late[0] ? Math.ceil(daysBetween(late[0].plannedOn, c.today) / 7) : 0;
  const dropped = missed === 'drop' || missed === 'merge' ? new Set(late.map((s) => s.id)) : new Set<number>();
  const ahead = all.filter((s) => s.status === 'planned' && !dropped.has(s.id));
  const fromWeek = ahead[0]?.week;
  if (fromWeek === undefined) throw new CoreError('plan_over');
  const startOn = addDays(plan.startOn, 7 * slidWeeks);
  const shape = { ...wished, weeks: Math.min(plan.weeks, weeksLeft(startOn, c.goal.targetOn)), startOn };
  // Of the week under way as many sessions are over as were done or dropped.
  const over = all.filter((s) => s.week === fromWeek && (s.status !== 'planned' || dropped.has(s.id))).length;
  const exerciseIds = missed === 'merge' ? heldByThemAlone(as, late, fromWeek) : [];
  const ask = { ...planAsk(as, shape), fromWeek, catchUp: { after: over, exerciseIds } };
  const made = await planProgression(ask, by.solve, by.onProgress);
  const rest = made.weeks.map((w) => (w.week === fromWeek ? { ...w, sessions: w.sessions.slice(over) } : w));
  // Moved past the goal, or with every day busy, nothing is left to come.
  if (rest.every((w) => w.sessions.length === 0)) throw new CoreError('plan_over');
  const changed: PlanChange[] = [
    ...told,
    ...(slidWeeks > 0 ? [{ code: 'slid' as const, weeks: slidWeeks }] : []),
    ...(missed === 'drop' && dropped.size > 0 ? [{ code: 'dropped' as const, sessions: dropped.size }] : []),
    ...(missed === 'merge' && dropped.size > 0 ? [mergedInto(rest, dropped.size, exerciseIds)] : []),
    ...wishedChanges(shapeOf(plan), shapeOf({ ...plan, ...wished }), goalName(c)),
    ...movedSets(usualWeek(ahead), usualWeek(rest.flatMap((w) => w.sessions.map((s) => ({ ...s, easy: w.easy })))))
  ];
  const isAnother = swapped || as.choices !== c.choices;
  await keepPlan(
    db,
    as,
    { ...shape, lineId: plan.lineId, changed },
    { ...made, weeks: rest },
    { weekIs: isAnother ? 'another' : 'as it was' }
  );
}

type Held = Pick<Session, 'id' | 'week' | 'allotment'>;

/** What is open of the week that the missed sessions held, and no other of their weeks or of the week that comes next. */
function heldByThemAlone(c: GoalCase, missed: readonly Held[], nextWeek: number): string[] {
  const ids = openWeek(c).map((e) => e.id);
  const holds = ({ allotment }: Held, id: string) => allotment?.find((a) => a.exerciseId === id)?.sets !== 0;
  const weeks = new Set([...missed.map((s) => s.week), nextWeek]);
  const others = c.sessions.filter((s) => s.planId === c.plan?.id && weeks.has(s.week) && !missed.some((m) => m.id === s.id));
  return ids.filter((id) => missed.some((s) => holds(s, id)) && !others.some((s) => holds(s, id)));
}

function mergedInto(rest: readonly PlanWeek[], sessions: number, exerciseIds: readonly string[]): PlanChange {
  const next = rest.flatMap((w) => w.sessions)[0];
  const isIn = (id: string) => next?.allotment.some((a) => a.exerciseId === id && a.sets > 0) ?? false;
  return { code: 'merged', sessions, into: exerciseIds.filter(isIn), without: exerciseIds.filter((id) => !isIn(id)) };
}

const goalName =
  ({ goals }: GoalCase) =>
  (goalId: number) =>
    goals.find((g) => g.id === goalId)?.name ?? 'a goal that was ended';

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
export const namePlan = (
  db: Database,
  clientId: number,
  { version, name }: Readonly<{ version: number; name: string }>,
  today: string
): Promise<void> =>
  changeClient(db, clientId, async (tx) => {
    const { goal } = await loadGoalCase(tx, clientId, today);
    await updatePlanName(tx, goal.id, version, name);
  });
