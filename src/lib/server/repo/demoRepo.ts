import { z } from 'zod';
import type { Db } from '../db/db';
import { allRows } from '../db/rows';

const DemoPersonRow = z.object({ name: z.string() });

/** Lists the people of the demo that were filled, by name, whatever became of them since. */
export async function listDemoPeople(db: Db): Promise<string[]> {
  const { rows } = await db.query('select name from demo_person order by name');
  return allRows(DemoPersonRow, rows).map(({ name }) => name);
}

export async function insertDemoPerson(db: Db, name: string): Promise<void> {
  await db.query('insert into demo_person (name) values ($1)', [name]);
}
