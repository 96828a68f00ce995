import type { GoalInput } from '$lib/contract/goalForms';
import {
  CoreError,
  dayText,
  flatHeld,
  goalBar,
  goalOf,
  isFlatHeld,
  limitText,
  painPlaceOf,
  sides,
  stageOpening,
  waitDays,
  fromText,
  type Side,
  type StageOpening
} from '$lib/core';
import { changeClient } from './changing';
import { askClearanceFor, limitsOf } from './checking';
import type { Database } from '../db/db';
import { updateCurrentGoal } from '../repo/clientRepo';
import { insertGoal, listGoals, updateGoal, updateGoalClosed, type ClientGoal } from '../repo/goalRepo';
import { loadCase, type ClientCase } from './clientCase';
import { latestTaken } from './taken';
import { isHurt, safetyOf } from './safety';

/**
 * Sets a goal, or changes one; it becomes the goal in work. The kind of a goal that exists stays: its measures and plans hang
 * on it.
 *
 * Throws: CoreError 'not_found'; 'goal_barred' for what a limit forbids as a goal too; 'stage_not_open' for a lotus stage out of its
 *         order or before its day; 'turnout_past_hips' when a target goes beyond what the hips allow without a reason.
 */
export const saveGoal = (
  db: Database,
  clientId: number,
  goalId: number | null,
  input: GoalInput,
  today: string
): Promise<number> =>
  changeClient(db, clientId, async (tx) => {
    const c = await loadCase(tx, clientId, today);
    const existing = goalId === null ? null : c.goals.find((g) => g.id === goalId);
    if (existing === undefined || (existing && existing.kind !== input.kind)) throw new CoreError('not_found', { what: 'goal' });
    const bar = goalBar(input, limitsOf(c));
    if (bar) throw new CoreError('goal_barred', { why: `${limitText(bar)} (${fromText(bar)})` });
    refuseStageOutOfOrder(c, existing, input);
    refuseTurnoutPastHips(c, input);
    await askClearanceFor(tx, c, input.kind);
    if (goalId === null) {
      const id = await insertGoal(tx, clientId, input, today);
      await updateCurrentGoal(tx, clientId, id);
      return id;
    }
    await updateGoal(tx, clientId, goalId, input, today);
    return goalId;
  });

/**
 * The stages of the lotus come in order, from the first one on: a fortnight, sessions without knee pain and range open the next. A written
 * reason stands in for days and sessions, never for range.
 */
function refuseStageOutOfOrder(c: ClientCase, existing: ClientGoal | null, { kind, stage, targetReason }: GoalInput): void {
  if (kind !== 'lotus' || stage <= (existing?.stage ?? 0)) return;
  if (!existing || stage > existing.stage + 1)
    throw new CoreError('stage_not_open', { why: 'One stage after the other: it begins with the easy cross-legged seat.' });
  const opening = openingOf(c, existing);
  if (opening.isOpen) return;
  const { deg, neededDeg } = opening.turn;
  if (deg === null || deg < neededDeg || targetReason.trim() === '')
    throw new CoreError('stage_not_open', { why: stageText(opening) });
}

/** Returns how far the next stage of a lotus is from open today. */
function openingOf(c: ClientCase, goal: ClientGoal): StageOpening {
  const since = goal.stageOn ?? c.sessionDays[0] ?? c.today;
  const turn = (side: Side) => latestTaken(c, 'HER90', side, 'passive')?.value ?? null;
  const knees = c.pains.filter((p) => isHurt(p) && painPlaceOf(p.place).joint === 'knee' && p.feltOn > since);
  return stageOpening(
    {
      stage: goal.stage,
      since,
      sessionDays: c.sessionDays,
      kneePainDays: knees.map((p) => p.feltOn),
      outwardTurnDeg: { left: turn('left'), right: turn('right') }
    },
    c.today
  );
}

function stageText({ opensOn, isDayMet, sessions, turn, isOpen }: StageOpening): string {
  if (isOpen) return 'The next stage is open: its days, its sessions without knee pain and its range are met.';
  const missing = [
    ...(isDayMet ? [] : [`${waitDays.knee} days without knee pain, met on ${dayText(opensOn)}`]),
    ...(sessions.done >= sessions.needed ? [] : [`${sessions.needed} sessions without knee pain, ${sessions.done} so far`]),
    ...(turn.deg === null
      ? [`${turn.neededDeg}° of outward turn with the hip bent, measured on both sides`]
      : turn.deg < turn.neededDeg
        ? [`${turn.neededDeg}° of outward turn with the hip bent; the hip that turns less has ${Math.round(turn.deg)}°`]
        : [])
  ];
  return `The next stage needs ${missing.join('; ')}.`;
}

/** Of a goal with stages that open by a rule: what is met of it, and what is missing. */
export function stageFacts(c: ClientCase, goal: ClientGoal): string[] {
  if (goal.kind === 'lotus' && goal.stage < goalOf('lotus').stages.length - 1) return [stageText(openingOf(c, goal))];
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
export const chooseGoal = (db: Database, clientId: number, goalId: number): Promise<void> =>
  changeClient(db, clientId, async (tx) => {
    if (!(await listGoals(tx, clientId)).some((g) => g.id === goalId)) throw new CoreError('not_found', { what: 'goal' });
    await updateCurrentGoal(tx, clientId, goalId);
  });

/** Ends a goal, or takes it up again. */
export const closeGoal = (db: Database, clientId: number, goalId: number, closedAt: string | null): Promise<void> =>
  changeClient(db, clientId, (tx) => updateGoalClosed(tx, clientId, goalId, closedAt));
