import { compute } from '$lib/contract/door';
import type { BodyState } from '$lib/contract/fields';
import type { MeasureInput } from '$lib/contract/measureForms';
import {
  activeGap,
  comparesAs,
  CoreError,
  daysBetween,
  isShownTwice,
  measureOf,
  measureReading,
  measuringErrorOf,
  openingReading,
  otherSide,
  reachableStacks,
  retestEveryDays,
  sideDifference,
  sides,
  splitOpeningDeg,
  trialValue,
  z95,
  type Change,
  type Difference,
  type MeasureMode,
  type MeasureReading,
  type MeasuringError,
  type Side,
  type WayId
} from '$lib/core';
import type { Database } from '../db/db';
import { appendNote, findOpenOccasion, insertOccasion, insertTrials, type Occasion, type Trial } from '../repo/occasionRepo';
import { updatePhotoTrial } from '../repo/photoRepo';
import { getClient } from '../repo/clientRepo';
import { legOf, lengthsOf, type ClientCase, type GoalCase, type SplitCase } from './clientCase';
import { perCase } from './perCase';

/** What one occasion says of one measure, side and mode, by one way on one support. */
export type TakenReading = MeasureReading &
  Readonly<{
    measureId: string;
    side: Side | null;
    mode: MeasureMode;
    way: WayId;
    support: string;
    occasionId: number;
    takenOn: string;
    bodyState: BodyState;
    /** Day it is compared with. */
    sinceOn: string | null;
    /** Two retests running show the same: what a measure that is no headline needs before it counts. */
    isShownTwice: boolean;
  }>;

/** What has to be alike before two measures are compared. A split measured past flat goes on from its gap. */
export const comparesKey = (
  r: Readonly<{ measureId: string; side: Side | null; mode: MeasureMode; way: WayId; support: string }>,
  state: BodyState
): string => [r.measureId, r.side ?? 'both', r.mode, state, comparesAs(r.way), r.support].join('/');

const seriesKey = (t: Pick<Trial, 'measureId' | 'side' | 'mode' | 'way' | 'support'>) =>
  [t.measureId, t.side, t.mode, t.way, t.support].join('/');

/** Trials of an occasion that belong together, in the order they were taken. */
const seriesOf = (o: Occasion): Trial[][] => {
  const series = new Map<string, Trial[]>();
  for (const t of o.trials) series.set(seriesKey(t), [...(series.get(seriesKey(t)) ?? []), t]);
  return [...series.values()];
};

/** Keeps an occasion whole, or nothing of it. Throws: CoreError 'gap_exceeds_leg', 'value_impossible' and those of the formulas. */
export async function saveOccasion(db: Database, clientId: number, input: MeasureInput): Promise<number> {
  const client = await getClient(db, clientId);
  const trials = input.trials.map((t) => {
    const measure = measureOf(t.measureId);
    const value = trialValue(measure, t.way, t.entries, lengthsOf(client, t.side));
    if (measure.ways.includes('raise')) {
      const lead = t.side ?? 'left';
      const legs = { leadLegCm: legOf(client, lead).value, trailLegCm: legOf(client, otherSide(lead)).value };
      splitOpeningDeg({ gapCm: Math.abs(value), ...legs }); // refuses what no body can be
    }
    return { ...t, value };
  });
  const measureIds = [...new Set(trials.map((t) => t.measureId))];
  return db.transaction(async (tx) => {
    const open = await findOpenOccasion(tx, clientId, input, measureIds);
    const id = open ?? (await insertOccasion(tx, clientId, input));
    if (open !== null && input.note) await appendNote(tx, open, input.note);
    const trialIds = await insertTrials(tx, id, trials);
    for (const [i, { photoId, measureId }] of trials.entries())
      if (photoId) await updatePhotoTrial(tx, clientId, photoId, measureId, trialIds[i]!);
    return id;
  });
}

/** Half a step of the real shelf tells how well a stack gauges a height: the usual step between the heights it makes, cm. */
export const stackStepCm = perCase(({ shelf }: ClientCase): number => {
  const heights = reachableStacks(shelf).map((s) => s.heightCm);
  const steps = heights.slice(1).map((h, i) => h - heights[i]!);
  return steps.length > 0 ? [...steps].sort((a, b) => a - b)[Math.floor(steps.length / 2)]! : 2.5;
});

/** Own trials of a client by measure and way: they replace the typical spread as they come. */
export const ownTrialsOf = perCase(({ occasions }: ClientCase): ReadonlyMap<string, number[][]> => {
  const groups = new Map<string, number[][]>();
  for (const o of occasions)
    for (const series of seriesOf(o)) {
      const key = `${series[0]!.measureId}/${comparesAs(series[0]!.way)}`;
      groups.set(key, [...(groups.get(key) ?? []), series.map((t) => t.value)]);
    }
  return groups;
});

export const ownTrials = (c: ClientCase, measureId: string, way: WayId): readonly number[][] =>
  ownTrialsOf(c).get(`${measureId}/${comparesAs(way)}`) ?? [];

/** Every reading of a client, oldest first; a change is against the last one that is alike. */
export const takenOf = perCase((c: ClientCase): TakenReading[] => {
  const last = new Map<string, TakenReading[]>();
  return c.occasions.flatMap((o) =>
    seriesOf(o).map((trials): TakenReading => {
      const { measureId, side, mode, way, support } = trials[0]!;
      const key = comparesKey(trials[0]!, o.bodyState);
      const earlier = last.get(key) ?? [];
      const [before, beforeThat] = [earlier.at(-1), earlier.at(-2)];
      const measure = measureOf(measureId);
      const ask = {
        measure,
        way,
        trials: trials.map((t) => t.entries),
        lengths: lengthsOf(c.client, side),
        ownTrials: ownTrials(c, measureId, way),
        stackStepCm: stackStepCm(c)
      };
      const against = (r: TakenReading | undefined) => (r ? { value: r.value, trials: r.trials } : null);
      const reading = compute(() => measureReading({ ...ask, before: against(before) }));
      const fromThat = beforeThat && reading.ok ? measureReading({ ...ask, before: against(beforeThat) }).change : null;
      const taken = {
        ...(reading.ok ? reading.value : asKept(trials.map((t) => t.value))),
        measureId,
        side,
        mode,
        way,
        support,
        occasionId: o.id,
        takenOn: o.takenOn,
        bodyState: o.bodyState,
        sinceOn: before?.takenOn ?? null,
        isShownTwice: isShownTwice(before?.change ?? null, fromThat)
      };
      last.set(key, [...earlier, taken]);
      return taken;
    })
  );
});

/** A reading whose numbers no longer fit the body, since a length was changed: its value as it was kept, marked. */
function asKept(values: readonly number[]): MeasureReading {
  const value = values.reduce((s, v) => s + v, 0) / values.length;
  const none = { spread: null, sd: null, levelSd: null, margin: null, change: null };
  return { value, values, trials: values.length, ...none, doubtful: true };
}

/** The newest reading of a measure, whatever way it was taken. */
export const latestTaken = (c: ClientCase, measureId: string, side: Side | null, mode: MeasureMode): TakenReading | null =>
  takenOf(c).findLast((r) => r.measureId === measureId && r.side === side && r.mode === mode) ?? null;

/** Days since a measure was last taken; null when it never was. */
export function daysSince(c: ClientCase, measureId: string, today: string): number | null {
  const last = takenOf(c).findLast((r) => r.measureId === measureId);
  return last ? daysBetween(last.takenOn, today) : null;
}

export const isDue = (c: ClientCase, measureId: string, today: string): boolean => {
  const days = daysSince(c, measureId, today);
  return days === null || days > retestEveryDays;
};

// The front split: its readings carry the depth and the opening.

export type SideReading = TakenReading &
  Readonly<{ side: Side; depthCm: number; spreadCm: number | null; marginCm: number; sdCm: number }> &
  Readonly<{ openingDeg: number; openingMarginDeg: number; change: Change | null }>;

/** Every reading of the gap of the front split, oldest first. */
export const readingsOf = perCase((c: ClientCase): SideReading[] =>
  takenOf(c).flatMap((r): SideReading[] => {
    const { side } = r;
    if (r.measureId !== 'front_split_gap' || side === null || r.sd === null) return [];
    const depth = { value: r.value, sd: r.sd };
    const opening = compute(() => openingReading(depth, legOf(c.client, side), legOf(c.client, otherSide(side))));
    if (!opening.ok) return [];
    return [
      {
        ...r,
        side,
        depthCm: r.value,
        spreadCm: r.spread,
        sdCm: r.sd,
        marginCm: z95 * r.sd,
        openingDeg: opening.value.value,
        openingMarginDeg: z95 * opening.value.sd
      }
    ];
  })
);

/** Error of the gap by tape for this client. */
export const measuringError = perCase((c: ClientCase): MeasuringError => {
  const error = measuringErrorOf(measureOf('front_split_gap'), 'tape', null, ownTrials(c, 'front_split_gap', 'tape'));
  if (!error) throw new CoreError('not_found', { what: 'error' });
  return error;
});

export const latestReading = (
  readings: readonly SideReading[],
  side: Side,
  mode: MeasureMode,
  state?: BodyState
): SideReading | null =>
  readings.findLast((r) => r.side === side && r.mode === mode && (state === undefined || r.bodyState === state)) ?? null;

export type Comparison = Readonly<{ difference: Difference; state: BodyState; takenOn: string }>;

type Comparable = Pick<
  TakenReading,
  'occasionId' | 'side' | 'mode' | 'value' | 'trials' | 'way' | 'support' | 'bodyState' | 'takenOn'
>;

const alike = (a: Comparable, b: Comparable) => a.occasionId === b.occasionId && a.way === b.way && a.support === b.support;

/** Left against right in the newest occasion that has both, passive, taken alike. */
export function compareSides(
  readings: readonly Comparable[],
  error: MeasuringError,
  mode: MeasureMode = 'passive'
): Comparison | null {
  const rightOf = (l: Comparable) => readings.find((r) => alike(r, l) && r.side === 'right' && r.mode === mode);
  const left = readings.findLast((r) => r.side === 'left' && r.mode === mode && rightOf(r));
  const right = left && rightOf(left);
  if (!left || !right) return null;
  return { difference: sideDifference(left, right, error), state: left.bodyState, takenOn: left.takenOn };
}

/** Active against passive of one side in the newest occasion that has both, taken alike. */
export function compareActive(readings: readonly Comparable[], side: Side | null, error: MeasuringError): Comparison | null {
  const passiveOf = (a: Comparable) => readings.find((r) => alike(r, a) && r.side === side && r.mode === 'passive');
  const active = readings.findLast((r) => r.side === side && r.mode === 'active' && passiveOf(r));
  const passive = active && passiveOf(active);
  if (!active || !passive) return null;
  return { difference: activeGap(active, passive, error), state: active.bodyState, takenOn: active.takenOn };
}

/** The leading side that trails by more than the error of both; null when none is shown to. */
export function weakerSide(c: SplitCase): Side | null {
  const sidesCompared = compareSides(readingsOf(c), measuringError(c));
  if (!sidesCompared?.difference.exceedsError) return null;
  return sidesCompared.difference.difference > 0 ? 'left' : 'right';
}

/** A baseline of the headline: every side it is taken on, in its first mode. */
export function hasBaseline(c: GoalCase): boolean {
  const headline = measureOf(c.goal.headline);
  const places: readonly (Side | null)[] = headline.sides === 'each' ? sides : [null];
  return places.every((side) => latestTaken(c, headline.id, side, headline.modes[0]!) !== null);
}
