import { z } from 'zod';
import type { Db } from '../db/db';
import { allRows } from '../db/rows';

const MarkRow = z.object({ client_id: z.int().nullable(), mark: z.uuid() });

/** Another one as soon as anything has changed that a case is read from: of the person, and of what all people share. */
export type CaseMark = Readonly<{ person: string | null; studio: string | null }>;

export async function getCaseMark(db: Db, clientId: number): Promise<CaseMark> {
  const { rows } = await db.query('select client_id, mark from case_mark where client_id = $1 or client_id is null', [clientId]);
  const marks = allRows(MarkRow, rows);
  const markOf = (id: number | null) => marks.find((m) => m.client_id === id)?.mark ?? null;
  return { person: markOf(clientId), studio: markOf(null) };
}
