import { compute } from '$lib/contract/door';
import type { BodyState } from '$lib/contract/fields';
import type { Taken, TakenPoint, TakenRow } from '$lib/contract/taken';
import {
  changeSoFar,
  comparesAs,
  daysBetween,
  isShownTwice,
  measureOf,
  measureResult,
  reachableStacks,
  retestEveryDays,
  sides,
  weekOf,
  type MeasureMode,
  type MeasureResult,
  type OwnRecord,
  type Retaken,
  type Retest,
  type Side,
  type WayId
} from '$lib/core';
import { mean } from 'simple-statistics';
import type { Occasion, Trial } from '../repo/occasionRepo';
import { lengthsOf, type ClientCase, type GoalCase } from './clientCase';
import { perCase } from './perCase';

/** What has to be alike before two measures are compared. A split measured past flat goes on from its gap. */
export const comparesKey = (
  r: Readonly<{ measureId: string; side: Side | null; mode: MeasureMode; way: WayId; support: string }>,
  state: BodyState
): string => [r.measureId, r.side ?? 'both', r.mode, state, comparesAs(r.way), r.support].join('/');

const seriesKey = (t: Pick<Trial, 'measureId' | 'side' | 'mode' | 'way' | 'support'>) =>
  [t.measureId, t.side, t.mode, t.way, t.support].join('/');

/** Trials of an occasion that belong together, in the order they were taken. */
export const seriesOf = (o: Occasion): Trial[][] => {
  const series = new Map<string, Trial[]>();
  for (const t of o.trials) series.set(seriesKey(t), [...(series.get(seriesKey(t)) ?? []), t]);
  return [...series.values()];
};

/** Half a step of the real shelf tells how well a stack gauges a height: the usual step between the heights it makes, cm. */
export const stackStepCm = perCase(({ shelf }: ClientCase): number => {
  const heights = reachableStacks(shelf).map((s) => s.heightCm);
  const steps = heights.slice(1).map((h, i) => h - heights[i]!);
  return steps.length > 0 ? [...steps].sort((a, b) => a - b)[Math.floor(steps.length / 2)]! : 2.5;
});

/** What is on record of a client by measure and way: it replaces the usual error as it comes. */
const recordsOf = perCase(({ occasions }: ClientCase): ReadonlyMap<string, OwnRecord> => {
  const trials = new Map<string, number[][]>();
  const retests = new Map<string, Map<string, Retest[]>>();
  for (const o of occasions)
    for (const series of seriesOf(o)) {
      const key = recordKey(series[0]!.measureId, series[0]!.way);
      const values = series.map((t) => t.value);
      trials.set(key, [...(trials.get(key) ?? []), values]);
      const alike = comparesKey(series[0]!, o.bodyState);
      const days = retests.get(key) ?? new Map<string, Retest[]>();
      days.set(alike, [...(days.get(alike) ?? []), { on: dayNumber(o.takenOn), value: mean(values), trials: values.length }]);
      retests.set(key, days);
    }
  return new Map([...trials].map(([key, groups]) => [key, { trials: groups, retests: [...retests.get(key)!.values()] }]));
});

const recordKey = (measureId: string, way: WayId): string => `${measureId}/${comparesAs(way)}`;
const dayNumber = (on: string): number => daysBetween('2000-01-01', on);

export const ownRecord = (c: ClientCase, measureId: string, way: WayId): OwnRecord =>
  recordsOf(c).get(recordKey(measureId, way)) ?? { trials: [], retests: [] };

/** Finer than anything is written or drawn. */
export const fine = (value: number): number => Math.round(value * 1000) / 1000;

export const pointOf = ({ takenOn, value, margin, side, mode, bodyState, way, support }: Taken): TakenPoint => ({
  takenOn,
  value: fine(value),
  margin: margin === null ? null : fine(margin),
  side,
  mode,
  bodyState,
  way,
  support
});

export const rowOf = (r: Taken): TakenRow => ({ ...pointOf(r), occasionId: r.occasionId, change: r.change });

const retaken = ({ takenOn, value, sd, measurer, dayTime }: Taken): Retaken[] =>
  sd === null ? [] : [{ week: weekOf(takenOn), value, sd, measurer, dayTime }];

/** Everything taken of a client, oldest first; a change is told from all that were taken alike. */
export const takenOf = perCase((c: ClientCase): Taken[] => {
  const last = new Map<string, Taken[]>();
  return c.occasions.flatMap((o) =>
    seriesOf(o).map((trials): Taken => {
      const { measureId, side, mode, way, support } = trials[0]!;
      const measure = measureOf(measureId);
      const key = comparesKey(trials[0]!, o.bodyState);
      const earlier = last.get(key) ?? [];
      const ask = {
        measure,
        way,
        trials: trials.map((t) => t.entries),
        lengths: lengthsOf(c.client, side),
        own: ownRecord(c, measureId, way),
        stackStepCm: stackStepCm(c)
      };
      const result = compute(() => measureResult({ ...ask, before: null }));
      const plain: Taken = {
        ...(result.ok ? result.value : asKept(trials.map((t) => t.value))),
        measureId,
        side,
        mode,
        way,
        support,
        occasionId: o.id,
        takenOn: o.takenOn,
        bodyState: o.bodyState,
        dayTime: o.dayTime,
        measurer: o.measurer,
        change: null,
        sinceOn: null,
        isShownTwice: false
      };
      const all = [...earlier, plain].filter((r) => r.sd !== null);
      const change = plain.sd === null ? null : changeSoFar(all.flatMap(retaken), measure.betterIs);
      const taken = {
        ...plain,
        change,
        sinceOn: change ? all[all.length - change.measures]!.takenOn : null,
        isShownTwice: isShownTwice(earlier.at(-1)?.change ?? null, change)
      };
      last.set(key, [...earlier, taken]);
      return taken;
    })
  );
});

/** What was taken of a body that is another now, since a length was changed: its value as it was kept, marked. */
function asKept(values: readonly number[]): MeasureResult {
  const none = { spread: null, error: null, sd: null, levelSd: null, margin: null, change: null };
  return { value: mean(values), values, trials: values.length, ...none, doubtful: true };
}

/** The newest of a measure, whatever way it was taken. */
export const latestTaken = (c: ClientCase, measureId: string, side: Side | null, mode: MeasureMode): Taken | null =>
  takenOf(c).findLast((r) => r.measureId === measureId && r.side === side && r.mode === mode) ?? null;

/** The newest measure of the goal itself, on each side it is taken on. */
export function latestOfGoal(c: GoalCase): Readonly<{ side: Side | null; value: number | null; takenOn: string | null }>[] {
  const { id, modes, sides: places } = measureOf(c.goal.headline);
  return (places === 'each' ? sides : [null]).map((side) => {
    const latest = latestTaken(c, id, side, modes[0]!);
    return { side, value: latest?.value ?? null, takenOn: latest?.takenOn ?? null };
  });
}

/** Days since a measure was last taken; null when it never was. */
export function daysSince(c: ClientCase, measureId: string, today: string): number | null {
  const last = takenOf(c).findLast((r) => r.measureId === measureId);
  return last ? daysBetween(last.takenOn, today) : null;
}

export const isDue = (c: ClientCase, measureId: string, today: string): boolean => {
  const days = daysSince(c, measureId, today);
  return days === null || days > retestEveryDays;
};

/** Whether a measure is there on every side it is taken on. */
export const hasEverySide = (measureId: string, taken: readonly (Side | null)[]): boolean =>
  (measureOf(measureId).sides === 'each' ? sides : [null]).every((side) => taken.includes(side));

/** A baseline of the headline: every side it is taken on, in its first mode. */
export function hasBaseline(c: GoalCase): boolean {
  const [mainMode] = measureOf(c.goal.headline).modes;
  const taken = takenOf(c).filter((r) => r.measureId === c.goal.headline && r.mode === mainMode);
  return hasEverySide(
    c.goal.headline,
    taken.map((r) => r.side)
  );
}
