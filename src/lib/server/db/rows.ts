import { z } from 'zod';
import { CoreError } from '$lib/core';

/** Exactly one row, or the problem 'not_found'. */
export function oneRow<T>(schema: z.ZodType<T>, rows: unknown[], what: string): T {
  const row = firstRow(schema, rows);
  if (row === null) throw new CoreError('not_found', { what });
  return row;
}

/** The first row, or null. */
export const firstRow = <T>(schema: z.ZodType<T>, rows: unknown[]): T | null => (rows.length > 0 ? schema.parse(rows[0]) : null);

export const allRows = <T>(schema: z.ZodType<T>, rows: unknown[]): T[] => z.array(schema).parse(rows);

export const IdRow = z.object({ id: z.int() });
