import { requireRange } from '../errors';
import { withinSquares } from './withinSubjectSd';

export type SdPrior = Readonly<{ sd: number; df: number }>;

/**
 * Spread between trials, starting from a typical value that own trials replace as they come.
 *
 * Model:  √((prior.df·prior.sd² + Σ(n−1)s²) / (prior.df + Σ(n−1))): the prior is worth df degrees of freedom.
 * Throws: CoreError 'out_of_range'.
 *
 * @example pooledSd([], { sd: 0.8, df: 8 }) // 0.8
 */
export function pooledSd(groups: readonly (readonly number[])[], prior: SdPrior): number {
  requireRange('prior_sd', prior.sd, 0, 1e6);
  requireRange('prior_df', prior.df, Number.MIN_VALUE, 1e6);
  const { squares, df } = withinSquares(groups);
  return Math.sqrt((prior.df * prior.sd ** 2 + squares) / (prior.df + df));
}
