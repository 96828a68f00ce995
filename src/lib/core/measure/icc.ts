import { mean, sum } from 'simple-statistics';
import { CoreError, CoreFault } from '../errors';

export type Icc = Readonly<{ icc11: number; icc21: number; icc31: number; icc1k: number; icc2k: number; icc3k: number }>;

/**
 * Intraclass correlations of a table: rows are people, columns measurers.
 *
 * Model:  two-way analysis of variance; the six forms of Shrout and Fleiss. The interface shows the absolute-agreement
 *         single form, `icc21`. Not clipped: a negative value says that people differ less than measurers do.
 * Throws: CoreError 'table_too_small' (two rows and two columns at least), 'table_ragged', 'no_spread'.
 * Source: docs/sources.md#agreement
 */
export function icc(table: readonly (readonly number[])[]): Icc {
  const n = table.length;
  const k = table[0]?.length ?? 0;
  if (n < 2 || k < 2) throw new CoreError('table_too_small', { rows: n, columns: k });
  if (!table.every((row) => row.length === k && row.every(Number.isFinite))) throw new CoreFault('table_ragged');
  const grand = mean(table.flat());
  const squares = (values: readonly number[]) => sum(values.map((v) => (v - grand) ** 2));
  const total = squares(table.flat());
  if (total === 0) throw new CoreError('no_spread');
  const between = k * squares(table.map((row) => mean([...row])));
  const judges = n * squares(Array.from({ length: k }, (_, j) => mean(table.map((row) => row[j]!))));
  const bms = between / (n - 1);
  const wms = (total - between) / (n * (k - 1));
  const jms = judges / (k - 1);
  const ems = Math.max(0, total - between - judges) / ((n - 1) * (k - 1));
  const share = (top: number, bottom: number) => {
    if (bottom === 0) throw new CoreError('no_spread');
    return top / bottom;
  };
  return {
    icc11: share(bms - wms, bms + (k - 1) * wms),
    icc21: share(bms - ems, bms + (k - 1) * ems + (k * (jms - ems)) / n),
    icc31: share(bms - ems, bms + (k - 1) * ems),
    icc1k: share(bms - wms, bms),
    icc2k: share(bms - ems, bms + (jms - ems) / n),
    icc3k: share(bms - ems, bms)
  };
}
