import { z } from 'zod';
import { CoreError } from '$lib/core';

/** Exactly one row, or the problem 'not_found'. */
export function oneRow<T>(schema: z.ZodType<T>, rows: unknown[], what: string): T {
  const row = firstRow(schema, rows);
  if (row === null) throw new CoreError('not_found', { what });
  return row;
}

/** A write that was to change one row. Throws: CoreError 'not_found' when there was none. */
export function changedOne({ rowCount }: { rowCount: number | null }, what: string): void {
  if (rowCount !== 1) throw new CoreError('not_found', { what });
}

/** The first row, or null. */
export const firstRow = <T>(schema: z.ZodType<T>, rows: unknown[]): T | null => (rows.length > 0 ? schema.parse(rows[0]) : null);

export const allRows = <T>(schema: z.ZodType<T>, rows: unknown[]): T[] => z.array(schema).parse(rows);

export const IdRow = z.object({ id: z.int() });
