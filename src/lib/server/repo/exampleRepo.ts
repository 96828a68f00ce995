import { z } from 'zod';
import type { Db } from '../db/db';
import { allRows } from '../db/rows';

const ExampleRow = z.object({ id: z.int() });

/** Marks everybody and everything there is as the example: it is made in a studio that was empty. */
export async function markAllAsExample(db: Db, what: 'client' | 'prop'): Promise<void> {
  await db.query(`update ${what} set is_example = true`);
}

/** Ids of what belongs to the example, archived or taken off the shelf too. */
export async function listExampleIds(db: Db, what: 'client' | 'prop'): Promise<number[]> {
  const { rows } = await db.query(`select id from ${what} where is_example and ${gone[what]} is null order by id`);
  return allRows(ExampleRow, rows).map(({ id }) => id);
}

const gone = { client: 'null', prop: 'removed_at' } as const;
