import type { PlanInput } from '$lib/contract/forms';
import type { SessionView, WeekView } from '$lib/contract/plan';
import { bearingStacks, CoreError, fittedSession, longHold, planProgression, sides, type PlanAsk, type Side } from '$lib/core';
import type { Database } from '../db/db';
import { sqlProblem } from '../db/sqlState';
import { insertPlan, supersedePlan, upsertSetting, type Plan } from '../repo/planRepo';
import { insertSession, type Session } from '../repo/sessionRepo';
import { isOpenForWork } from './checking';
import { loadSplitCase, type SplitCase } from './clientCase';
import { rungsOf, planSettings, splitGrade } from './gradeSplit';
import { hasBaseline } from './taken';
import { latestSplit, takenSplits, weakerSide } from './takenSplit';
import { safetyOf } from './safety';

/** What every session of this client is made from, whatever the week. */
export function blocksBase(c: SplitCase) {
  const measuredCm = (side: Side) => latestSplit(takenSplits(c), side, 'passive')?.depthCm;
  return {
    school: longHold,
    level: c.client.level === 'beginner' ? ('beginner' as const) : ('other' as const),
    leadSide: c.goal.leadSide,
    weakerSide: weakerSide(c),
    settings: planSettings(c),
    rungs: rungsOf(c),
    measuredCm: { left: measuredCm('left'), right: measuredCm('right') },
    person: safetyOf(c),
    today: c.today
  };
}

const planAsk = (
  c: SplitCase,
  p: Pick<Plan, 'weeks' | 'sessionsPerWeek' | 'minutes' | 'startOn'>,
  target: string | null
): PlanAsk => ({
  ...blocksBase(c),
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
  const c = await loadSplitCase(db, clientId, today);
  if (!isOpenForWork(c)) throw new CoreError('not_cleared');
  const version = c.plan?.version ?? 0;
  if (input.basedOnVersion !== version) throw new CoreError('plan_changed_elsewhere', { version });
  for (const side of sides) {
    const grade = splitGrade(c, side);
    if (grade && !grade.chosen && grade.tooFar)
      throw new CoreError('no_stack_near', {
        measuredCm: Math.round(grade.measured!.value * 10) / 10,
        nearestCm: grade.rung.depthCm
      });
  }
  const ask = planAsk(c, input, c.goal.targetOn);
  const { weeks } = planProgression(ask);
  try {
    await db.transaction(async (tx) => {
      if (c.plan) await supersedePlan(tx, c.plan.id);
      const planId = await insertPlan(tx, c.goal.id, version + 1, longHold.id, input);
      for (const week of weeks) for (const session of week.sessions) await insertSession(tx, planId, week, session);
      for (const [exerciseId, both] of Object.entries(ask.settings))
        for (const side of sides) await upsertSetting(tx, c.goal.id, exerciseId, side, both[side]);
    });
  } catch (error) {
    if (sqlProblem(error) === 'conflict') throw new CoreError('plan_changed_elsewhere', { version: version + 1 });
    throw error;
  }
}

/** The plan in force as it would run with today's settings; sessions that were done show what was prescribed then. */
export function planView(c: SplitCase & { plan: Plan }): WeekView[] {
  const { weeks } = planProgression(planAsk(c, c.plan, null));
  const rows = new Map(c.sessions.filter((s) => s.planId === c.plan.id).map((s) => [`${s.week}/${s.ordinal}`, s]));
  return weeks.map((week) => ({
    ...week,
    sessions: week.sessions.flatMap((planned): SessionView[] => {
      const row = rows.get(`${planned.week}/${planned.ordinal}`);
      if (!row) return [];
      return [{ ...planned, ...row.prescribed, id: row.id, status: row.status, doneOn: row.endedAt }];
    })
  }));
}

/** One session with today's settings, cut to the minutes. */
export const prepareSession = (c: SplitCase & { plan: Plan }, session: Pick<Session, 'phase' | 'easy' | 'light'>) =>
  fittedSession({ ...blocksBase(c), phase: session.phase, easy: session.easy, light: session.light, minutes: c.plan.minutes });

/** Stacks for any depth, also one that is no rung of today's ladder. */
export const shelfStacks = (c: SplitCase) => bearingStacks(c.shelf);
