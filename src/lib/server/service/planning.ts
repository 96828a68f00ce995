import type { ArrangeInput } from '$lib/contract/arrangeForm';
import type { ComparedInput, PlanInput, ReviseInput } from '$lib/contract/forms';
import {
  addDays,
  CoreError,
  daysBetween,
  easyWeeksOf,
  motionOfDemand,
  movedSets,
  noPlanWishes,
  partOf,
  planProgression,
  planSummary,
  sides,
  wishedChanges,
  type LinearSolver,
  type LinkId,
  type PlanAsk,
  type PlanChange,
  type PlanProgress,
  type PlanShape,
  type PlanSummary,
  type PlanWishes,
  type PlanWeek
} from '$lib/core';
import type { Database, Db } from '../db/db';
import { sqlProblem } from '../db/sqlState';
import { replaceChoices } from '../repo/choiceRepo';
import { lockClient, updateSchool } from '../repo/clientRepo';
import { insertPlan, listPlans, supersedePlan, updatePlanName, upsertSetting, type NewPlan, type Plan } from '../repo/planRepo';
import { insertSession, updateArranged } from '../repo/sessionRepo';
import { solverFor } from '../solver';
import { isOpenForWork } from './checking';
import { loadGoalCase, type GoalCase } from './clientCase';
import { arrangedAs, blocksBase, demandedLinks, sessionsOfPlan } from './composing';
import { keepForecasts } from './forecasting';
import { settingOf, stackGradeOf } from './gradeExercise';
import { positionReadings } from './reading';
import { hasBaseline } from './taken';
import { weekOf } from './week';

/** Who solves a plan, and who is told how far it is. */
export type Solving = Readonly<{ solve: LinearSolver; onProgress?: PlanProgress }>;

/** A motion the goal needs is worth so much at least, however little it is short of. */
const leastWorth = 0.4;
/** From so many degrees on that own strength trails, active work of a motion is worth twice as much (assumption). */
const fullGapDeg = 30;

/** What a minute for each motion is worth, after what Read found, and how much more its active work. */
function worthOf(c: GoalCase): Pick<PlanAsk, 'priority' | 'activeWorth'> {
  const gives = new Map<LinkId, number>(demandedLinks(c).map((link) => [link, 0]));
  const trails = new Map<LinkId, number>();
  for (const { measure, givesDeg, activeGap } of positionReadings(c).flatMap((r) => r.links))
    for (const link of [motionOfDemand(measure) ?? []].flat()) {
      gives.set(link, Math.max(gives.get(link) ?? 0, givesDeg));
      if (activeGap?.trails) trails.set(link, Math.max(trails.get(link) ?? 0, activeGap.difference));
    }
  const most = Math.max(...gives.values(), 1);
  return {
    priority: Object.fromEntries([...gives].map(([link, deg]) => [link, Math.max(leastWorth, deg / most)])),
    activeWorth: Object.fromEntries([...trails].map(([link, deg]) => [link, 1 + Math.min(1, deg / fullGapDeg)]))
  };
}

type Shape = Pick<Plan, 'weeks' | 'sessionsPerWeek' | 'minutes' | 'startOn' | 'schoolId' | 'wishes'>;

export const planAsk = (c: GoalCase, { wishes, ...p }: Shape): PlanAsk => ({
  ...blocksBase(c, p.schoolId),
  ...worthOf(c),
  demands: demandedLinks(c),
  weeks: p.weeks,
  sessionsPerWeek: p.sessionsPerWeek,
  minutes: p.minutes,
  start: p.startOn,
  target: c.goal.targetOn,
  hasBaseline: hasBaseline(c),
  wishes
});

/** A position whose nearest stack is far harder than what was measured waits for another shelf, or for somebody's choice. */
function requireStacks(c: GoalCase): void {
  for (const { exercise } of weekOf(c).filter((w) => partOf(w.exercise) === 'position'))
    for (const side of sides) {
      const grade = stackGradeOf(c, exercise, side);
      if (grade?.measured && !grade.chosen && grade.tooFar)
        throw new CoreError('no_stack_near', {
          measuredCm: Math.round(grade.measured.value * 10) / 10,
          nearestCm: grade.rung.depthCm
        });
    }
}

export async function openCase(db: Database, clientId: number, today: string, basedOnVersion: number): Promise<GoalCase> {
  const c = await loadGoalCase(db, clientId, today);
  if (!isOpenForWork(c)) throw new CoreError('not_cleared');
  const version = c.plan?.version ?? 0;
  if (basedOnVersion !== version) throw new CoreError('plan_changed_elsewhere', { version });
  requireStacks(c);
  return c;
}

/** Keeps a version with its sessions in place of the one before; nothing of it when another tab was quicker. */
export async function keepPlan(
  db: Database,
  c: GoalCase,
  plan: NewPlan,
  weeks: readonly PlanWeek[],
  also: (tx: Db) => Promise<void> = async () => undefined
): Promise<void> {
  const version = (c.plan?.version ?? 0) + 1;
  try {
    await db.transaction(async (tx) => {
      if (c.plan) await supersedePlan(tx, c.plan.id);
      // The week a plan is made of stays the instructor's own, so that what is barred later is told as left out, not gone.
      if (c.choices.length === 0)
        await replaceChoices(
          tx,
          c.goal.id,
          weekOf(c).map((w) => w.choice)
        );
      const planId = await insertPlan(tx, c.goal.id, version, plan);
      // What somebody arranged by hand stays in its place, where a plan goes on.
      const byHand = (s: Readonly<{ week: number; ordinal: number }>) =>
        plan.lineId === null
          ? null
          : (c.sessions.find((old) => old.planId === c.plan?.id && old.week === s.week && old.ordinal === s.ordinal)?.arranged ??
            null);
      for (const of of weeks) for (const session of of.sessions) await insertSession(tx, planId, of, session, byHand(session));
      for (const { exercise } of weekOf(c))
        for (const side of sides) await upsertSetting(tx, c.goal.id, exercise.id, side, settingOf(c, exercise, side));
      await keepForecasts(tx, c, c.today, plan.sessionsPerWeek);
      await also(tx);
    });
  } catch (error) {
    if (sqlProblem(error) === 'conflict') throw new CoreError('plan_changed_elsewhere', { version });
    throw error;
  }
}

/**
 * Makes a plan from its first week on, also in place of one in force. Settings that had none get their start; what was done stays with the old
 * version. What was wished of exercises and days goes on; easy weeks are counted anew.
 *
 * Throws: CoreError 'not_cleared', 'plan_changed_elsewhere', 'no_stack_near', and those of `planProgression` and the solver.
 */
export async function makePlan(
  db: Database,
  clientId: number,
  input: PlanInput,
  today: string,
  by: Solving = { solve: solverFor() }
): Promise<void> {
  const c = await openCase(db, clientId, today, input.basedOnVersion);
  const plan = newPlan(c, input);
  const { weeks } = await planProgression(planAsk(c, plan), by.solve, by.onProgress);
  await keepPlan(db, c, plan, weeks);
}

export function newPlan(c: GoalCase, input: PlanInput, before = c.plan?.wishes ?? noPlanWishes): NewPlan {
  const weekdays = before.weekdays.length === input.sessionsPerWeek ? before.weekdays : [];
  return { ...input, wishes: { ...before, weekdays, easyWeeks: null }, lineId: null, changed: [] };
}

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
  const startOn = slidWeeks > 0 ? addWeeks(plan.startOn, slidWeeks) : plan.startOn;
  const weeksLeft = c.goal.targetOn === null ? plan.weeks : Math.ceil(daysBetween(startOn, c.goal.targetOn) / 7);
  const shape = { ...wished, weeks: Math.min(plan.weeks, weeksLeft), startOn };
  const { weeks } = await planProgression({ ...planAsk(c, shape), fromWeek }, by.solve, by.onProgress);
  // Of the week under way as many sessions are over as were done or dropped.
  const over = all.filter((s) => s.week === fromWeek && (s.status !== 'planned' || dropped.has(s.id))).length;
  const rest = weeks.map((w) => (w.week === fromWeek ? { ...w, sessions: w.sessions.slice(over) } : w));
  const changed: PlanChange[] = [
    ...told,
    ...(slidWeeks > 0 ? [{ code: 'slid' as const, weeks: slidWeeks }] : []),
    ...(dropped.size > 0 ? [{ code: 'dropped' as const, sessions: dropped.size }] : []),
    ...wishedChanges(shapeOf(plan), shapeOf({ ...plan, ...wished })),
    ...movedSets(usualWeek(ahead), usualWeek(rest.flatMap((w) => w.sessions.map((s) => ({ ...s, easy: w.easy })))))
  ];
  await keepPlan(db, c, { ...shape, lineId: plan.lineId, changed }, rest);
}

const addWeeks = (on: string, weeks: number): string => addDays(on, 7 * weeks);

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

/** A plan as it would be made, in a few figures; nothing is kept. Its school stands in place of what the person prefers. Throws: those of `planProgression`. */
export async function summaryOf(
  c: GoalCase,
  shape: ComparedInput,
  weeks: number,
  wishes: PlanWishes | undefined = c.plan?.wishes,
  by: Solving = { solve: solverFor() }
): Promise<PlanSummary> {
  const open = { ...c, client: { ...c.client, schoolId: null } };
  const plan = newPlan(open, { ...shape, weeks, startOn: c.today, basedOnVersion: 0 }, wishes);
  return planSummary((await planProgression(planAsk(open, plan), by.solve)).weeks);
}

/** Weeks a new plan would have: as many as the one in force, four where there is none, and none past the goal. */
export function weeksAhead(c: GoalCase): number {
  const left = c.goal.targetOn ? Math.ceil(daysBetween(c.today, c.goal.targetOn) / 7) : Infinity;
  return Math.max(1, Math.min(c.plan?.weeks ?? 4, left));
}

/** Makes the plan that was compared; its school becomes what the person prefers, since that comes first. Throws: those of `makePlan`. */
export async function takePlan(
  db: Database,
  clientId: number,
  input: PlanInput,
  today: string,
  by: Solving = { solve: solverFor() }
): Promise<void> {
  const c = await openCase(db, clientId, today, input.basedOnVersion);
  const isOther = c.client.schoolId !== null && c.client.schoolId !== input.schoolId;
  const as = isOther ? { ...c, client: { ...c.client, schoolId: input.schoolId } } : c;
  const plan = newPlan(as, input);
  const { weeks } = await planProgression(planAsk(as, plan), by.solve, by.onProgress);
  await keepPlan(db, as, plan, weeks, async (tx) => {
    if (isOther) await updateSchool(tx, clientId, input.schoolId, {});
  });
}

/**
 * Arranges one planned session by hand, or every one that is still to come; null goes back to the usual.
 *
 * Throws: CoreError 'not_found', 'session_not_planned', 'minutes_too_few' and the others of `arrangedSession`: nothing is kept that does not fit.
 */
export const arrangeSession = (
  db: Database,
  clientId: number,
  sessionId: number,
  { arrangement, all }: ArrangeInput,
  today: string
): Promise<void> =>
  db.transaction(async (tx) => {
    await lockClient(tx, clientId);
    const c = await loadGoalCase(tx, clientId, today);
    const { plan } = c;
    const session = c.sessions.find((s) => s.id === sessionId);
    if (!session || !plan) throw new CoreError('not_found', { what: 'session' });
    if (session.status !== 'planned') throw new CoreError('session_not_planned');
    arrangedAs({ ...c, plan }, { ...session, arranged: arrangement });
    const open = c.sessions.filter((s) => s.status === 'planned' && s.planId === plan.id);
    await updateArranged(tx, all ? open.map((s) => s.id) : [sessionId], arrangement);
  });
