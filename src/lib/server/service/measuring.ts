import type { BodyState } from '$lib/contract/fields';
import type { MeasureInput, MeasureMode } from '$lib/contract/forms';
import {
  activeGap,
  frontSplit,
  occasionReading,
  otherSide,
  pooledSd,
  sideDifference,
  sides,
  splitOpeningDeg,
  type Difference,
  type MeasuringError,
  type Reading,
  type Side
} from '$lib/core';
import type { Database } from '../db/db';
import { insertOccasion } from '../repo/occasionRepo';
import { legOf, loadGoalCase, type GoalCase } from './clientCase';
import { perCase } from './perCase';

export type SideReading = Reading &
  Readonly<{ occasionId: number; takenOn: string; bodyState: BodyState; side: Side; mode: MeasureMode }>;

/** Keeps an occasion whole, or nothing of it. Throws: CoreError 'gap_exceeds_leg'. */
export async function saveOccasion(db: Database, clientId: number, input: MeasureInput): Promise<number> {
  const { client, goal } = await loadGoalCase(db, clientId);
  for (const { side, gapCm, leadRaiseCm } of input.trials) {
    const [lead, trail] = [legOf(client, side).value, legOf(client, otherSide(side)).value];
    splitOpeningDeg({ gapCm, leadRaiseCm, leadLegCm: lead, trailLegCm: trail }); // refuses what no body can be
  }
  return db.transaction((tx) => insertOccasion(tx, goal.id, input));
}

/** Error of the headline for this client: own trials replace the typical spread between trials as they come. */
export const measuringError = perCase(({ occasions }: GoalCase): MeasuringError => {
  const { trialSdCm, trialDf, daySdCm, resolutionCm } = frontSplit.error;
  const groups = occasions.flatMap((o) =>
    sides.flatMap((side) => (['passive', 'active'] as const).map((mode) => depthsOf(o.trials, side, mode)))
  );
  return { trialSd: pooledSd(groups, { sd: trialSdCm, df: trialDf }), daySd: daySdCm, resolution: resolutionCm };
});

const depthsOf = (trials: readonly { side: Side; mode: MeasureMode; depthCm: number }[], side: Side, mode: MeasureMode) =>
  trials.filter((t) => t.side === side && t.mode === mode).map((t) => t.depthCm);

/** Every reading of the headline, oldest first; a change is against the last one of the same side, mode and state. */
export const readingsOf = perCase((c: GoalCase): SideReading[] => {
  const error = measuringError(c);
  const last = new Map<string, { value: number; trials: number }>();
  return c.occasions.flatMap((o) =>
    sides.flatMap((side) =>
      (['passive', 'active'] as const).flatMap((mode): SideReading[] => {
        const depthsCm = depthsOf(o.trials, side, mode);
        if (depthsCm.length === 0) return [];
        const key = `${side}/${mode}/${o.bodyState}`;
        const reading = occasionReading({
          depthsCm,
          leadLegCm: legOf(c.client, side),
          trailLegCm: legOf(c.client, otherSide(side)),
          error,
          before: last.get(key) ?? null
        });
        last.set(key, { value: reading.depthCm, trials: reading.trials });
        return [{ ...reading, occasionId: o.id, takenOn: o.takenOn, bodyState: o.bodyState, side, mode }];
      })
    )
  );
});

export const latestReading = (
  readings: readonly SideReading[],
  side: Side,
  mode: MeasureMode,
  state?: BodyState
): SideReading | null =>
  readings.findLast((r) => r.side === side && r.mode === mode && (state === undefined || r.bodyState === state)) ?? null;

export type Comparison = Readonly<{ difference: Difference; state: BodyState; takenOn: string }>;

const asOccasion = (r: Reading) => ({ value: r.depthCm, trials: r.trials });

/** Left against right in the newest occasion that has both, passive and in one state. */
export function compareSides(readings: readonly SideReading[], error: MeasuringError): Comparison | null {
  const right = (l: SideReading) =>
    readings.find((r) => r.occasionId === l.occasionId && r.side === 'right' && r.mode === 'passive');
  const left = readings.findLast((r) => r.side === 'left' && r.mode === 'passive' && right(r));
  const other = left && right(left);
  if (!left || !other) return null;
  return { difference: sideDifference(asOccasion(left), asOccasion(other), error), state: left.bodyState, takenOn: left.takenOn };
}

/** Active against passive of one side in the newest occasion that has both. */
export function compareActive(readings: readonly SideReading[], side: Side, error: MeasuringError): Comparison | null {
  const passive = (a: SideReading) =>
    readings.find((r) => r.occasionId === a.occasionId && r.side === side && r.mode === 'passive');
  const active = readings.findLast((r) => r.side === side && r.mode === 'active' && passive(r));
  const other = active && passive(active);
  if (!active || !other) return null;
  return {
    difference: activeGap(asOccasion(active), asOccasion(other), error),
    state: active.bodyState,
    takenOn: active.takenOn
  };
}

/** The leading side that trails by more than the error of both; null when none is shown to. */
export function weakerSide(c: GoalCase): Side | null {
  const sidesCompared = compareSides(readingsOf(c), measuringError(c));
  if (!sidesCompared?.difference.exceedsError) return null;
  return sidesCompared.difference.difference > 0 ? 'left' : 'right';
}

/** A baseline is a passive reading of both sides. */
export const hasBaseline = (readings: readonly SideReading[]): boolean =>
  sides.every((side) => readings.some((r) => r.side === side && r.mode === 'passive'));
