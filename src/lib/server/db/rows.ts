import { setImmediate as othersTurn } from 'node:timers/promises';
import { z } from 'zod';
import { CoreError } from '$lib/core';
import type { Db } from './db';

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

/** An instant, alike from the driver and out of a text of rows. */
export const instant = z.string().transform((text) => new Date(text).toISOString());

/**
 * All rows of a query as one text: handed over field by field, thousands of rows take the embedded database four times as long.
 * Instants come as the database writes them (`instant`).
 */
export async function rowsAtOnce<T>(db: Db, schema: z.ZodType<T>, sql: string, values: unknown[]): Promise<T[]> {
  const { rows } = await db.query(`select coalesce(json_agg(r), '[]')::text as text from (${sql}) r`, values);
  const all = JSON.parse((rows[0] as { text: string }).text) as unknown[];
  const checked: T[] = [];
  for (let i = 0; i < all.length; i += rowsAtATime) {
    if (i > 0) await othersTurn();
    checked.push(...allRows(schema, all.slice(i, i + rowsAtATime)));
  }
  return checked;
}

/** So many rows are checked before others have their turn: some ten milliseconds. */
const rowsAtATime = 300;

export const IdRow = z.object({ id: z.int() });
