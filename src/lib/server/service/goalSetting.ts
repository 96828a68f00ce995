import type { GoalInput } from '$lib/contract/goalForms';
import { CoreError, goalOf } from '$lib/core';
import type { Database } from '../db/db';
import { getClient, updateCurrentGoal } from '../repo/clientRepo';
import { insertGoal, listGoals, updateGoal, updateGoalClosed } from '../repo/goalRepo';
import { loadCase, type ClientCase } from './clientCase';
import { latestTaken } from './measuring';

/**
 * Sets a goal, or changes one; it becomes the goal in work. The kind of a goal that exists stays: its measures and plans hang
 * on it.
 *
 * Throws: CoreError 'not_found'; 'turnout_past_hips' when a target goes beyond what the hips allow without a reason.
 */
export async function saveGoal(db: Database, clientId: number, goalId: number | null, input: GoalInput): Promise<number> {
  const c = await loadCase(db, clientId);
  const existing = goalId === null ? null : c.goals.find((g) => g.id === goalId);
  if (existing === undefined || (existing && existing.kind !== input.kind)) throw new CoreError('not_found', { what: 'goal' });
  refuseTurnoutPastHips(c, input);
  return db.transaction(async (tx) => {
    if (goalId === null) {
      const id = await insertGoal(tx, clientId, input);
      await updateCurrentGoal(tx, clientId, id);
      return id;
    }
    await updateGoal(tx, clientId, goalId, input);
    return goalId;
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
