import type { ArrangeInput } from '$lib/contract/arrangeForm';
import { compute } from '$lib/contract/door';
import type { ComparedInput, PlanInput } from '$lib/contract/forms';
import type { SessionView, WeekView } from '$lib/contract/plan';
import {
  bearingStacks,
  CoreError,
  daysBetween,
  exercises,
  fittedSession,
  motionOfDemand,
  partOf,
  planProgression,
  planSummary,
  schoolOf,
  sides,
  uncutSession,
  type LinkId,
  type PlanAsk,
  type PlanSummary,
  type SchoolId,
  type WeekWork
} from '$lib/core';
import { asOne, type Database } from '../db/db';
import { sqlProblem } from '../db/sqlState';
import { replaceChoices } from '../repo/choiceRepo';
import { getClient, lockClient, updateSchool } from '../repo/clientRepo';
import { insertPlan, supersedePlan, upsertSetting, type Plan } from '../repo/planRepo';
import { insertSession, updateArranged, type Prescribed, type Session } from '../repo/sessionRepo';
import { isOpenForWork } from './checking';
import { breathOf, loadGoalCase, type ClientCase, type GoalCase } from './clientCase';
import { weakerSide } from './comparing';
import { keepForecasts } from './forecasting';
import { settingOf, sideState, stackGradeOf } from './gradeExercise';
import { positionReadings } from './reading';
import { safetyOf } from './safety';
import { hasBaseline } from './taken';
import { weekOf } from './week';

const shipped = new Set(exercises.map((e) => e.id));

/** The week as sessions are built from it. Of the schools the nearest counts: the exercise's own, the person's, the plan's. */
const weekWork = (c: GoalCase, planSchool: SchoolId): WeekWork[] =>
  weekOf(c).map(({ exercise, schoolId, choice }) => ({
    exercise,
    cycles: choice.cycles,
    lifts: choice.lifts,
    school: schoolOf(schoolId ?? planSchool),
    isOwn: !shipped.has(exercise.id),
    states: { left: sideState(c, exercise, 'left'), right: sideState(c, exercise, 'right') }
  }));

/** The links of the goal, the one that limits it most first; as the goal names them where nothing is measured yet. */
function limitingLinks(c: GoalCase): LinkId[] {
  const read = positionReadings(c).flatMap((r) => r.links.filter((l) => l.givesDeg > 0).map((l) => l.measure));
  return [...new Set([...read, ...c.goal.demands.map((d) => d.measure)].flatMap((m) => motionOfDemand(m) ?? []))];
}

/** What every session of this client is made from, whatever the week. */
const blocksBase = (c: GoalCase, planSchool: SchoolId) => ({
  week: weekWork(c, planSchool),
  level: c.client.level === 'beginner' ? ('beginner' as const) : ('other' as const),
  leadSide: c.goal.leadSide ?? ('left' as const),
  weakerSide: weakerSide(c),
  limiting: limitingLinks(c),
  breathS: breathOf(c),
  person: safetyOf(c),
  today: c.today
});

const planAsk = (
  c: GoalCase,
  p: Pick<Plan, 'weeks' | 'sessionsPerWeek' | 'minutes' | 'startOn' | 'schoolId'>,
  target: string | null
): PlanAsk => ({
  ...blocksBase(c, p.schoolId),
  weeks: p.weeks,
  sessionsPerWeek: p.sessionsPerWeek,
  minutes: p.minutes,
  start: p.startOn,
  target,
  hasBaseline: hasBaseline(c)
});

/**
 * Makes a plan, or a new version of it. Settings that had none get their start; what was done stays with the old version.
 *
 * Throws: CoreError 'not_cleared', 'plan_changed_elsewhere', 'no_stack_near', and those of `planProgression`.
 */
export async function makePlan(db: Database, clientId: number, input: PlanInput, today: string): Promise<void> {
  const c = await loadGoalCase(db, clientId, today);
  if (!isOpenForWork(c)) throw new CoreError('not_cleared');
  const version = c.plan?.version ?? 0;
  if (input.basedOnVersion !== version) throw new CoreError('plan_changed_elsewhere', { version });
  const week = weekOf(c).map((w) => w.exercise);
  for (const exercise of week.filter((e) => partOf(e) === 'position'))
    for (const side of sides) {
      const grade = stackGradeOf(c, exercise, side);
      if (grade?.measured && !grade.chosen && grade.tooFar)
        throw new CoreError('no_stack_near', {
          measuredCm: Math.round(grade.measured.value * 10) / 10,
          nearestCm: grade.rung.depthCm
        });
    }
  const { weeks } = planProgression(planAsk(c, input, c.goal.targetOn));
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
      const planId = await insertPlan(tx, c.goal.id, version + 1, input);
      for (const of of weeks) for (const session of of.sessions) await insertSession(tx, planId, of, session);
      for (const exercise of week)
        for (const side of sides) await upsertSetting(tx, c.goal.id, exercise.id, side, settingOf(c, exercise, side));
      await keepForecasts(tx, c, today, input.sessionsPerWeek);
    });
  } catch (error) {
    if (sqlProblem(error) === 'conflict') throw new CoreError('plan_changed_elsewhere', { version: version + 1 });
    throw error;
  }
}

/** A plan as it would be made, in a few figures; nothing is kept. Its school stands in place of what the person prefers. Throws: those of `planProgression`. */
export function summaryOf(c: GoalCase, shape: ComparedInput, weeks: number): PlanSummary {
  const open = { ...c, client: { ...c.client, schoolId: null } };
  return planSummary(planProgression(planAsk(open, { ...shape, weeks, startOn: c.today }, c.goal.targetOn)).weeks);
}

/** Weeks a new plan would have: as many as the one in force, four where there is none, and none past the goal. */
export function weeksAhead(c: GoalCase): number {
  const left = c.goal.targetOn ? Math.ceil(daysBetween(c.today, c.goal.targetOn) / 7) : Infinity;
  return Math.max(1, Math.min(c.plan?.weeks ?? 4, left));
}

/** Makes the plan that was compared; its school becomes what the person prefers, since that comes first. Throws: those of `makePlan`. */
export const takePlan = (db: Database, clientId: number, input: PlanInput, today: string): Promise<void> =>
  asOne(db, async (tx) => {
    const client = await getClient(tx, clientId);
    if (client.schoolId !== null && client.schoolId !== input.schoolId) await updateSchool(tx, clientId, input.schoolId, {});
    await makePlan(tx, clientId, input, today);
  });

/** The plan in force as it would run with today's settings; sessions that were done show what was prescribed then, by `given`. */
export function planView(c: GoalCase & { plan: Plan }, given: ReadonlyMap<number, Prescribed> = new Map()): WeekView[] {
  const { weeks } = planProgression(planAsk(c, c.plan, null));
  const rows = new Map(c.sessions.filter((s) => s.planId === c.plan.id).map((s) => [`${s.week}/${s.ordinal}`, s]));
  return weeks.map((week) => ({
    ...week,
    sessions: week.sessions.flatMap((planned): SessionView[] => {
      const row = rows.get(`${planned.week}/${planned.ordinal}`);
      if (!row) return [];
      // One that was arranged and does not fit any more is told where it would begin; the plan goes on with the usual.
      const arranged = row.arranged && compute(() => prepareSession(c, row));
      const shown = given.get(row.id) ?? (arranged?.ok ? arranged.value : null);
      return [{ ...planned, ...shown, id: row.id, status: row.status, doneOn: row.endedAt }];
    })
  }));
}

type PlannedSession = Pick<Session, 'phase' | 'easy' | 'light'>;
const sessionAsk = (c: GoalCase & { plan: Plan }, { phase, easy, light }: PlannedSession) => ({
  ...blocksBase(c, c.plan.schoolId),
  phase,
  easy,
  light,
  minutes: c.plan.minutes
});

/** One session with today's settings, as it is arranged, cut to the minutes. */
export const prepareSession = (c: GoalCase & { plan: Plan }, session: PlannedSession & Pick<Session, 'arranged'>) =>
  fittedSession(sessionAsk(c, session), session.arranged ?? undefined);

/** Everything a session could hold, for whoever arranges it. */
export const openSession = (c: GoalCase & { plan: Plan }, session: PlannedSession) => uncutSession(sessionAsk(c, session));

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
    prepareSession({ ...c, plan }, { ...session, arranged: arrangement });
    const open = c.sessions.filter((s) => s.status === 'planned' && s.planId === plan.id);
    await updateArranged(tx, all ? open.map((s) => s.id) : [sessionId], arrangement);
  });

/** Stacks for any depth, also one that is no rung of today's ladder. */
export const shelfStacks = (c: ClientCase) => bearingStacks(c.shelf);
