import { z } from 'zod';
import type { Units } from '$lib/contract/fields';
import type { Db } from '../db/db';
import { oneRow } from '../db/rows';

const StudioRow = z
  .object({ length_unit: z.enum(['cm', 'in']), mass_unit: z.enum(['kg', 'lb']) })
  .transform((r): Units => ({ length: r.length_unit, mass: r.mass_unit }));

export async function getUnits(db: Db): Promise<Units> {
  const { rows } = await db.query('select length_unit, mass_unit from studio where id = 1');
  return oneRow(StudioRow, rows, 'studio');
}

export async function updateUnits(db: Db, { length, mass }: Units): Promise<void> {
  await db.query('update studio set length_unit = $1, mass_unit = $2 where id = 1', [length, mass]);
}

const KeyRow = z.object({ key: z.uuid() });

/** Which database this is: given when it was made, and its own for ever. */
export async function getStudioKey(db: Db): Promise<string> {
  const { rows } = await db.query('select key from studio where id = 1');
  return oneRow(KeyRow, rows, 'studio').key;
}
