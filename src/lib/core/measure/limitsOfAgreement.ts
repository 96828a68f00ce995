import { mean, sampleStandardDeviation, sum } from 'simple-statistics';
import { CoreError, CoreFault } from '../errors';
import { z95 } from './mdc';

export type Agreement = Readonly<{
  meanDifference: number;
  sd: number;
  lower: number;
  upper: number;
  /** Parts of the spread: between people, and from one time to the next on one person; null with one pair a person. */
  parts: Readonly<{ betweenSd: number; withinSd: number }> | null;
  people: number;
  pairs: number;
}>;

/**
 * Within what two measurers, or two ways, agree, from pairs read on some people, one or several pairs of each.
 *
 * Model:  mean difference ± 1.96 sd. With one pair a person sd is that of the differences. With more, a one-way analysis of variance of the
 *         differences by person: the variance within a person, plus what is between people beyond it (never below zero); the true value may change
 *         from pair to pair.
 * Units:  those of the measure. `differences`: first less second, in one list a person.
 * Throws: CoreFault 'table_ragged' for what is no number, 'table_too_small' under two people: one body tells nothing of another.
 * Source: docs/sources.md#agreement
 */
export function limitsOfAgreement(differences: readonly (readonly number[])[]): Agreement {
  const people = differences.filter((d) => d.length > 0).map((d) => [...d]);
  const all = people.flat();
  if (!all.every(Number.isFinite)) throw new CoreFault('table_ragged');
  if (people.length < 2) throw new CoreError('table_too_small', { rows: people.length, columns: 2 });
  const meanDifference = mean(all);
  const parts = all.length > people.length ? partsOf(people, meanDifference) : null;
  const sd = parts ? Math.hypot(parts.betweenSd, parts.withinSd) : sampleStandardDeviation(all);
  return {
    meanDifference,
    sd,
    lower: meanDifference - z95 * sd,
    upper: meanDifference + z95 * sd,
    parts,
    people: people.length,
    pairs: all.length
  };
}

function partsOf(people: readonly (readonly number[])[], grand: number): { betweenSd: number; withinSd: number } {
  const n = people.length;
  const pairs = sum(people.map((d) => d.length));
  const means = people.map((d) => mean([...d]));
  const within = sum(people.flatMap((d, i) => d.map((v) => (v - means[i]!) ** 2))) / (pairs - n);
  const between = sum(people.map((d, i) => d.length * (means[i]! - grand) ** 2)) / (n - 1);
  // How many pairs a person counts for, where they are not alike.
  const each = (pairs - sum(people.map((d) => d.length ** 2)) / pairs) / (n - 1);
  return { betweenSd: Math.sqrt(Math.max(0, (between - within) / each)), withinSd: Math.sqrt(within) };
}
