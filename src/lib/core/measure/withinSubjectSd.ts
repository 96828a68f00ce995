import { sumNthPowerDeviations } from 'simple-statistics';
import { CoreFault } from '../errors';
import { oncePer } from '../oncePer';

/** Sum of squared deviations and degrees of freedom, group by group. */
export const withinSquares = oncePer((groups: readonly (readonly number[])[]): { squares: number; df: number } => {
  let squares = 0;
  let df = 0;
  for (const group of groups) {
    if (group.length < 2) continue;
    if (!group.every(Number.isFinite)) throw new CoreFault('trial_not_a_number');
    squares += sumNthPowerDeviations([...group], 2);
    df += group.length - 1;
  }
  return { squares, df };
});

/**
 * Spread between trials of one occasion, pooled over occasions.
 *
 * Model:  √(Σ(n−1)s² / Σ(n−1)): the root of the error mean square of a one-way analysis of variance.
 * Units:  those of the trials. Groups of one trial tell nothing and are passed over.
 * Throws: CoreFault 'no_repeats' when no group has two trials.
 * Source: docs/sources.md#measuring-error
 */
export function withinSubjectSd(groups: readonly (readonly number[])[]): number {
  const { squares, df } = withinSquares(groups);
  if (df === 0) throw new CoreFault('no_repeats', { groups: groups.length });
  return Math.sqrt(squares / df);
}
