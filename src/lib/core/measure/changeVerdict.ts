import { CoreError } from '../errors';
import { z80, z95 } from './mdc';
import { occasionSd, type MeasuringError } from './occasionSd';

export type Occasion = Readonly<{ value: number; trials: number }>;
export type ChangeWord = 'real gain' | 'likely gain' | 'not shown' | 'likely loss' | 'real loss';
export type Change = Readonly<{
  verdict: ChangeWord;
  before: number;
  after: number;
  difference: number;
  sd: number;
  mdc95: number;
  mdc80: number;
}>;

/**
 * Whether two occasions in the same state differ by more than measuring does.
 *
 * Model:  the sd of the difference is √(occasion₁² + occasion₂²); from 1.96 sd the change is real, from 1.2816 sd likely.
 * Units:  those of the measure; `difference` is after − before, whichever way is better.
 * Throws: CoreError 'value_not_a_number' and those of `occasionSd`.
 * Source: docs/sources.md#measuring-error
 */
export function changeVerdict(
  ask: MeasuringError & Readonly<{ before: Occasion; after: Occasion; betterIs: 'higher' | 'lower' }>
): Change {
  const difference = ask.after.value - ask.before.value;
  if (!Number.isFinite(difference)) throw new CoreError('value_not_a_number');
  const sd = Math.hypot(occasionSd(ask.before.trials, ask), occasionSd(ask.after.trials, ask));
  const mdc95 = z95 * sd;
  const mdc80 = z80 * sd;
  return {
    verdict: changeWord(ask.betterIs === 'higher' ? difference : -difference, mdc80, mdc95),
    before: ask.before.value,
    after: ask.after.value,
    difference,
    sd,
    mdc95,
    mdc80
  };
}

/**
 * Whether two occasions differ, of whose values the errors are known already.
 *
 * Model, units: as `changeVerdict`.
 */
export function changeBetween(
  before: Readonly<{ value: number; sd: number }>,
  after: Readonly<{ value: number; sd: number }>,
  betterIs: 'higher' | 'lower'
): ChangeWord {
  const sd = Math.hypot(before.sd, after.sd);
  const difference = after.value - before.value;
  return changeWord(betterIs === 'higher' ? difference : -difference, z80 * sd, z95 * sd);
}

function changeWord(gain: number, mdc80: number, mdc95: number): ChangeWord {
  if (gain === 0 || Math.abs(gain) < mdc80) return 'not shown'; // zero is no change even when nothing has an error
  if (Math.abs(gain) >= mdc95) return gain > 0 ? 'real gain' : 'real loss';
  return gain > 0 ? 'likely gain' : 'likely loss';
}

/**
 * Whether a measure that is no headline has changed: only two retests running show it, since among many comparisons some
 * look real by chance.
 *
 * Model:  both changes are real and go the same way.
 */
type Said = Readonly<{ verdict: ChangeWord }> | null;
export const isShownTwice = (first: Said, second: Said): boolean =>
  first !== null && second !== null && first.verdict === second.verdict && /^real/.test(first.verdict);
