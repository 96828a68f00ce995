import type { GoalInput } from '$lib/contract/goalForms';
import {
  addDays,
  CoreError,
  dayText,
  flatHeld,
  goalBar,
  goalOf,
  isFlatHeld,
  limitText,
  sides,
  waitDays,
  fromText
} from '$lib/core';
import { limitsOf } from './checking';
import type { Database } from '../db/db';
import { getClient, updateCurrentGoal } from '../repo/clientRepo';
import { insertGoal, listGoals, updateGoal, updateGoalClosed, type ClientGoal } from '../repo/goalRepo';
import { loadCase, type ClientCase } from './clientCase';
import { latestTaken } from './taken';
import { safetyOf } from './safety';

/**
 * Sets a goal, or changes one; it becomes the goal in work. The kind of a goal that exists stays: its measures and plans hang
 * on it.
 *
 * Throws: CoreError 'not_found'; 'goal_barred' for what a limit forbids as a goal too; 'stage_not_open' for a lotus stage out of its
 *         order or before its day; 'turnout_past_hips' when a target goes beyond what the hips allow without a reason.
 */
export async function saveGoal(
  db: Database,
  clientId: number,
  goalId: number | null,
  input: GoalInput,
  today: string
): Promise<number> {
  const c = await loadCase(db, clientId, today);
  const existing = goalId === null ? null : c.goals.find((g) => g.id === goalId);
  if (existing === undefined || (existing && existing.kind !== input.kind)) throw new CoreError('not_found', { what: 'goal' });
  const bar = goalBar(input, limitsOf(c));
  if (bar) throw new CoreError('goal_barred', { why: `${limitText(bar)} (${fromText(bar)})` });
  refuseStageOutOfOrder(existing ?? null, input, today);
  refuseTurnoutPastHips(c, input);
  return db.transaction(async (tx) => {
    if (goalId === null) {
      const id = await insertGoal(tx, clientId, input, today);
      await updateCurrentGoal(tx, clientId, id);
      return id;
    }
    await updateGoal(tx, clientId, goalId, input, today);
    return goalId;
  });
}

/** The stages of the lotus come in order, and each is stayed at for its days: the knee sets the pace. */
function refuseStageOutOfOrder(existing: ClientGoal | null, { kind, stage, targetReason }: GoalInput, today: string): void {
  if (kind !== 'lotus' || !existing || stage <= existing.stage) return;
  const opensOn = existing.stageOn && addDays(existing.stageOn, waitDays.knee);
  if (stage > existing.stage + 1) throw new CoreError('stage_not_open', { why: 'One stage after the other.' });
  if (opensOn && opensOn > today && targetReason.trim() === '')
    throw new CoreError('stage_not_open', {
      why: `Stay at least ${waitDays.knee} pain-free days at each stage. The next one opens on ${dayText(opensOn)}; to move on sooner, write down why.`
    });
}

/** Of a goal with stages that open by a rule: what is met of it, and what is missing. */
export function stageFacts(c: ClientCase, goal: ClientGoal): string[] {
  if (goal.kind === 'lotus' && goal.stage < goalOf('lotus').stages.length - 1) {
    const opensOn = goal.stageOn && addDays(goal.stageOn, waitDays.knee);
    return [
      !opensOn || opensOn <= c.today
        ? 'The next stage is open: its days are met. Move on only if they were free of pain.'
        : `At this stage since ${dayText(goal.stageOn!)}. The next one opens on ${dayText(opensOn)}, after ${waitDays.knee} pain-free days.`
    ];
  }
  if (goal.kind !== 'front_split') return [];
  const person = safetyOf(c);
  return sides.map((side) => {
    const days = new Set(person.flatHeldOn[side]).size;
    return isFlatHeld(person, side)
      ? `Past flat is open, ${side} leg in front: flat was held ${flatHeld.holdS} seconds on ${flatHeld.days} days.`
      : `Past flat is closed, ${side} leg in front: flat was held ${flatHeld.holdS} seconds on ${days} of ${flatHeld.days} days.`;
  });
}

/** Both hips and the allowance; null while a hip is not measured. */
export function turnoutLimit(c: ClientCase): { hipsDeg: number; mostDeg: number } | null {
  const [left, right] = (['left', 'right'] as const).map((side) => latestTaken(c, 'HER0', side, 'passive'));
  if (!left || !right) return null;
  const hipsDeg = Math.round(left.value + right.value);
  return { hipsDeg, mostDeg: hipsDeg + (goalOf('turnout').allowanceDeg ?? 0) };
}

function refuseTurnoutPastHips(c: ClientCase, { kind, target, targetReason }: GoalInput): void {
  if (kind !== 'turnout' || target === null || targetReason.trim() !== '') return;
  const limit = turnoutLimit(c);
  if (limit && target > limit.mostDeg) throw new CoreError('turnout_past_hips', limit);
}

/** Puts another goal of the client in work. Throws: CoreError 'not_found'. */
export async function chooseGoal(db: Database, clientId: number, goalId: number): Promise<void> {
  await getClient(db, clientId);
  if (!(await listGoals(db, clientId)).some((g) => g.id === goalId)) throw new CoreError('not_found', { what: 'goal' });
  await updateCurrentGoal(db, clientId, goalId);
}

/** Ends a goal, or takes it up again. */
export const closeGoal = (db: Database, clientId: number, goalId: number, closedAt: string | null): Promise<void> =>
  updateGoalClosed(db, clientId, goalId, closedAt);
