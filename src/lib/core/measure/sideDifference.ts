import type { Side } from '../body/side';
import { CoreError } from '../errors';
import type { Uncertain } from '../geometry/propagate';
import { z95 } from './mdc';

export type Difference = Readonly<{
  /** The two values, as they were read. */
  of: readonly [number, number];
  difference: number;
  sd: number;
  /** What it must exceed: 1.96 sd. */ margin: number;
  exceedsError: boolean;
}>;

/** A reading for a comparison on the same body: its value, and the error of its occasion. */
export type Compared = Uncertain;
type BetterIs = 'higher' | 'lower';

export type SideDifference = Difference &
  Readonly<{
    /** The side that is behind by more than the error; null within it. */
    trails: Side | null;
  }>;

/**
 * Left less right, for the same measure in the same state, and which side trails.
 *
 * Model:  both sides are taken on one day, yet each carries its own day part: cautious, since the sides share only some of it.
 * Units:  those of the measure.
 * Throws: CoreError 'value_not_a_number'.
 */
export function sideDifference(betterIs: BetterIs, left: Compared, right: Compared): SideDifference {
  const d = differenceOf(left, right);
  const isLeftBehind = betterIs === 'lower' ? d.difference > 0 : d.difference < 0;
  return { ...d, trails: d.exceedsError ? (isLeftBehind ? 'left' : 'right') : null };
}

/** So many comparisons running show that a side is the tighter one, and as many that it is no more (common practice). */
const runningComparisons = 2;

/**
 * The tighter side over time: it trailed in two comparisons running, and has been so until it did not in two running.
 *
 * Shape:  the side that trails by more than the error in each comparison, the earliest first; null where none does.
 */
export function tighterSide(trails: readonly (Side | null)[]): Side | null {
  let tighter: Side | null = null;
  for (const [i, side] of trails.entries()) {
    const running = trails.slice(Math.max(0, i + 1 - runningComparisons), i + 1);
    if (running.length === runningComparisons && running.every((s) => s === side)) tighter = side;
  }
  return tighter;
}

export type ActiveGap = Difference &
  Readonly<{
    /** Held is behind reached by more than the error. */ trails: boolean;
    /** Held reads beyond reached by more than the error: the passive end was not reached, or two numbers are mixed up. */
    leads: boolean;
  }>;

/**
 * How far what is held trails what is reached, in the same joint, position and state: positive when it trails, whichever way is better.
 *
 * Units:  those of the measure.
 * Throws: CoreError 'value_not_a_number'.
 */
export function activeGap(betterIs: BetterIs, active: Compared, passive: Compared): ActiveGap {
  const d = betterIs === 'lower' ? differenceOf(active, passive) : differenceOf(passive, active);
  return { ...d, trails: d.exceedsError && d.difference > 0, leads: d.exceedsError && d.difference < 0 };
}

function differenceOf(a: Compared, b: Compared): Difference {
  const difference = a.value - b.value;
  const sd = Math.hypot(a.sd, b.sd);
  if (!Number.isFinite(difference) || !Number.isFinite(sd)) throw new CoreError('value_not_a_number');
  return { of: [a.value, b.value], difference, sd, margin: z95 * sd, exceedsError: Math.abs(difference) > z95 * sd };
}
