import type { Side } from '../body/side';
import type { StackUse } from '../props/stackUse';

/** Which dial it is: the same idea has the same id in every exercise, so that settings and history stay readable. */
export type DialId = string;

export type DialUnit = 'cm' | 's' | '%' | 'reps' | 'breaths' | 'rounds' | 'kg' | '°' | 'level';

/**
 * One way to make an exercise easier or harder.
 *
 * A metric dial moves by its step between its ends; one with a `stack` along the heights the shelf makes. A level dial has
 * named `levels`, the easier first, and stands at the index of one.
 */
export type Dial = Readonly<{
  id: DialId;
  name: string;
  unit: DialUnit;
  kind: 'metric' | 'level';
  harder: 'up' | 'down';
  min: number;
  max: number;
  step: number;
  levels?: readonly string[];
  /** The measure that says at which level it begins: one level of the dial for each of the measure. */
  startFrom?: Readonly<{ measure: string; levels: readonly number[] }>;
  stack?: StackUse;
}>;

/** Where the dials of an exercise stand. A dial that nobody has set yet is not in it. */
export type Setting = Readonly<Partial<Record<DialId, number>>>;

/** Where each exercise of a client stands, by exercise and side. */
export type Settings = Readonly<Record<string, Readonly<Record<Side, Setting>>>>;

type Ends = readonly [min: number, max: number, step: number];
const metric = (id: DialId, name: string, unit: DialUnit, [min, max, step]: Ends, harder: Dial['harder'] = 'up'): Dial => ({
  id,
  name,
  unit,
  kind: 'metric',
  harder,
  min,
  max,
  step
});

export const hold = (min: number, max: number, step: number): Dial => metric('holdS', 'hold', 's', [min, max, step]);
export const reps = (min = 3, max = 8, step = 1): Dial => metric('reps', 'repetitions', 'reps', [min, max, step]);
export const rounds = (max = 5): Dial => metric('rounds', 'rounds', 'rounds', [1, max, 1]);
export const effort: Dial = metric('effortPct', 'effort', '%', [20, 80, 5]);
/** Three, six, nine: how a breath-counted way lengthens a stretch. */
export const breaths: Dial = metric('breaths', 'breaths', 'breaths', [3, 9, 3]);

/** New users start under 8 kg (common practice). */
export const load = (min = 0, max = 20, step = 1): Dial => metric('loadKg', 'load', 'kg', [min, max, step]);

/** A way along the floor, or an angle: whatever is measured and is no height. */
export const along = (id: DialId, name: string, ends: Ends, harder: Dial['harder'] = 'up', unit: DialUnit = 'cm'): Dial =>
  metric(id, name, unit, ends, harder);

/** A dial of named levels, the easier first. */
export const levels = (id: DialId, name: string, ...named: readonly string[]): Dial => ({
  id,
  name,
  unit: 'level',
  kind: 'level',
  harder: 'up',
  min: 0,
  max: named.length - 1,
  step: 1,
  levels: named
});

/** A height made of props. Signed where the goal lies past flat: then a stack stands under the other end. */
export const height = (id: DialId, name: string, stack: StackUse, [min, max]: readonly [number, number] = [0, 60]): Dial => ({
  ...metric(id, name, 'cm', [min, max, 2.5], stack.higherIs === 'easier' ? 'down' : 'up'),
  stack
});

/** The word or number a dial shows at a value, without its unit. */
export const levelName = (dial: Dial, at: number): string => dial.levels?.[Math.round(at)] ?? String(at);
