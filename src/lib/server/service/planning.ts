import type { ArrangeInput } from '$lib/contract/arrangeForm';
import type { ComparedInput, PlanInput } from '$lib/contract/planForms';
import {
  CoreError,
  motionOfDemand,
  noPlanWishes,
  partOf,
  planProgression,
  planSummary,
  sides,
  usualEnds,
  weeksLeft,
  type LinearSolver,
  type LinkId,
  type PlanAsk,
  type PlanChange,
  type PlanProgress,
  type PlanSummary,
  type PlanWishes,
  type Progression
} from '$lib/core';
import type { ClientTx, Database } from '../db/db';
import { sqlProblem } from '../db/sqlState';
import { replaceChoices } from '../repo/choiceRepo';
import { updateSchool } from '../repo/clientRepo';
import { insertPlan, insertStarts, supersedePlan, type NewPlan, type Plan } from '../repo/planRepo';
import { insertSessions, updateArranged } from '../repo/sessionRepo';
import { solverFor } from '../solver';
import { isOpenForWork } from './checking';
import { changeClient } from './changing';
import { loadGoalCase, type GoalCase, isPlanned } from './clientCase';
import { arrangedAs, blocksBase, homeWeek } from './composing';
import { demandedLinks, goalsServed, pieceIn, type Served } from './goalsServed';
import { forecastsOf, keepForecasts } from './forecasting';
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

/** What a minute for each motion is worth, after what Read found, and how much more its active work. It serves every goal that needs the motion. */
function worthOf(served: readonly Served[]): Pick<PlanAsk, 'priority' | 'activeWorth'> {
  const worth = new Map<LinkId, number>();
  const trails = new Map<LinkId, number>();
  for (const one of served)
    for (const [link, share] of sharesOf(one, trails)) worth.set(link, (worth.get(link) ?? 0) + one.weight * share);
  const most = Math.max(...worth.values());
  return {
    priority: Object.fromEntries([...worth].map(([link, w]) => [link, w / most])),
    activeWorth: Object.fromEntries([...trails].map(([link, deg]) => [link, 1 + Math.min(1, deg / fullGapDeg)]))
  };
}

/** What a minute for each motion is worth for one goal: 1 for the one that limits it most. */
function sharesOf(one: Served, trails: Map<LinkId, number>): [LinkId, number][] {
  const gives = new Map<LinkId, number>(demandedLinks([one]).map((link) => [link, 0]));
  for (const { measure, givesDeg, activeGap } of positionReadings(one.of).flatMap((r) => r.links))
    for (const link of [motionOfDemand(measure) ?? []].flat()) {
      gives.set(link, Math.max(gives.get(link) ?? 0, givesDeg));
      if (activeGap?.trails) trails.set(link, Math.max(trails.get(link) ?? 0, activeGap.difference));
    }
  const most = Math.max(...gives.values(), 1);
  return [...gives].map(([link, deg]) => [link, Math.max(leastWorth, deg / most)]);
}

type Shape = Pick<Plan, 'weeks' | 'sessionsPerWeek' | 'minutes' | 'startOn' | 'schoolId' | 'wishes'>;

export function planAsk(c: GoalCase, { wishes, ...p }: Shape): PlanAsk {
  const served = goalsServed(c, wishes);
  return {
    ...blocksBase(c, p.schoolId, served),
    ...homeWeek(c, p.schoolId, wishes.sessions, served),
    ...worthOf(served),
    demands: demandedLinks(served),
    weeks: p.weeks,
    sessionsPerWeek: p.sessionsPerWeek,
    minutes: p.minutes,
    start: p.startOn,
    target: c.goal.targetOn,
    hasBaseline: hasBaseline(c),
    wishes
  };
}

/** A position whose nearest stack is far harder than what was measured waits for another shelf, or for somebody's choice. */
function requireStacks(c: GoalCase): void {
  for (const { exercise } of weekOf(c).filter((w) => partOf(pieceIn(c, w.exercise)) === 'position'))
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

/** A search that was ended further from the best than usual says so. */
const nearBest = (gap: number): PlanChange[] =>
  gap > usualEnds.gap ? [{ code: 'near best', withinPct: Math.ceil(gap * 100) }] : [];

/** Keeps a version with its sessions in place of the one before; nothing of it when another tab was quicker. */
export async function keepPlan(
  db: Database,
  c: GoalCase,
  plan: NewPlan,
  { weeks, gap }: Progression,
  {
    weekIs = 'as it was',
    also = async () => undefined
  }: Readonly<{ weekIs?: 'as it was' | 'another'; also?: (tx: ClientTx) => Promise<void> }> = {}
): Promise<void> {
  const version = (c.plan?.version ?? 0) + 1;
  // Before the transaction: while that is open the embedded database answers nobody else.
  const likely: [number, Awaited<ReturnType<typeof forecastsOf>>][] = [];
  for (const { of } of goalsServed(c, plan.wishes))
    likely.push([of.goal.id, await forecastsOf(of, c.today, plan.sessionsPerWeek)]);
  try {
    await changeClient(db, c.client.id, async (tx) => {
      const open = c.sessions.filter((old) => old.planId === c.plan?.id && old.status === 'planned');
      // A session that was begun while this was solved would come twice.
      if (c.plan && (await supersedePlan(tx, c.plan.id)) !== open.length)
        throw new CoreError('plan_changed_elsewhere', { version });
      // The week a plan is made of stays the instructor's own, so that what is barred later is told as left out, not gone.
      if (weekIs === 'another' || c.choices.length === 0)
        await replaceChoices(
          tx,
          c.goal.id,
          weekOf(c).map((w) => w.choice)
        );
      const changed = [...plan.changed, ...nearBest(gap)];
      const planId = await insertPlan(tx, c.goal.id, version, { ...plan, changed });
      // What somebody arranged by hand stays in its place, where a plan goes on.
      const byHand = (s: Readonly<{ week: number; ordinal: number }>) =>
        plan.lineId === null ? null : (open.find((old) => old.week === s.week && old.ordinal === s.ordinal)?.arranged ?? null);
      await insertSessions(tx, planId, weeks, byHand);
      const settings = weekOf(c).flatMap(({ exercise }) =>
        sides.map((side) => ({ exerciseId: exercise.id, side, setting: settingOf(c, exercise, side) }))
      );
      // What was set, eased or decided while the plan was solved stands.
      await insertStarts(tx, c.goal.id, settings);
      for (const [goalId, forecasts] of likely) await keepForecasts(tx, goalId, forecasts);
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
  const c = { ...(await openCase(db, clientId, today, input.basedOnVersion)), planSchool: input.schoolId };
  const plan = newPlan(c, input);
  await keepPlan(db, c, plan, await planProgression(planAsk(c, plan), by.solve, by.onProgress));
}

export function newPlan(c: GoalCase, input: PlanInput, before = c.plan?.wishes ?? noPlanWishes): NewPlan {
  const weekdays = before.weekdays.length === input.sessionsPerWeek ? before.weekdays : [];
  return { ...input, wishes: { ...before, weekdays, easyWeeks: null, joinedInWeek: null }, lineId: null, changed: [] };
}

/** A plan as it would be made, in a few figures; nothing is kept. Its school stands in place of what the person prefers. Throws: those of `planProgression`. */
export async function summaryOf(
  c: GoalCase,
  shape: ComparedInput,
  weeks: number,
  wishes: PlanWishes | undefined = c.plan?.wishes,
  by: Solving = { solve: solverFor() }
): Promise<PlanSummary> {
  const open = { ...c, client: { ...c.client, schoolId: null }, planSchool: shape.schoolId };
  const plan = newPlan(open, { ...shape, weeks, startOn: c.today, basedOnVersion: 0 }, wishes);
  return planSummary((await planProgression(planAsk(open, plan), by.solve)).weeks);
}

/** Weeks a new plan would have: as many as the one in force, four where there is none, and none past the goal. */
export function weeksAhead(c: GoalCase): number {
  return Math.max(1, Math.min(c.plan?.weeks ?? 4, weeksLeft(c.today, c.goal.targetOn)));
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
  const as = { ...c, planSchool: input.schoolId, ...(isOther && { client: { ...c.client, schoolId: input.schoolId } }) };
  const plan = newPlan(as, input);
  const made = await planProgression(planAsk(as, plan), by.solve, by.onProgress);
  const also = async (tx: ClientTx) => {
    if (isOther) await updateSchool(tx, clientId, input.schoolId, {});
  };
  await keepPlan(db, as, plan, made, { also });
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
  changeClient(db, clientId, async (tx) => {
    const c = await loadGoalCase(tx, clientId, today);
    const session = c.sessions.find((s) => s.id === sessionId);
    if (!session || !isPlanned(c)) throw new CoreError('not_found', { what: 'session' });
    if (session.status !== 'planned') throw new CoreError('session_not_planned');
    arrangedAs(c, { ...session, arranged: arrangement });
    const open = c.sessions.filter((s) => s.status === 'planned' && s.planId === c.plan.id);
    await updateArranged(tx, all ? open.map((s) => s.id) : [sessionId], arrangement);
  });
