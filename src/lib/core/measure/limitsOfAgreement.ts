import { CoreError } from '../errors';
import { z95 } from './mdc';

export type Agreement = Readonly<{ meanDifference: number; sd: number; lower: number; upper: number }>;

/**
 * Within what two measurers, or two ways, agree on the same people.
 *
 * Model:  mean difference ± 1.96 sd of the differences a − b.
 * Units:  those of the measure.
 * Throws: CoreError 'table_ragged' for lists of unlike length, 'table_too_small' under two pairs.
 * Source: docs/sources.md#agreement
 */
export function limitsOfAgreement(a: readonly number[], b: readonly number[]): Agreement {
  if (a.length !== b.length || ![...a, ...b].every(Number.isFinite)) throw new CoreError('table_ragged');
  if (a.length < 2) throw new CoreError('table_too_small', { rows: a.length, columns: 2 });
  const differences = a.map((v, i) => v - b[i]!);
  const meanDifference = differences.reduce((s, d) => s + d, 0) / differences.length;
  const sd = Math.sqrt(differences.reduce((s, d) => s + (d - meanDifference) ** 2, 0) / (differences.length - 1));
  return { meanDifference, sd, lower: meanDifference - z95 * sd, upper: meanDifference + z95 * sd };
}
