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

/** Those who train, or those who were put away. */
export type PeopleList = 'active' | 'archived';

const PersonMarkRow = z.object({ id: z.int(), name: z.string(), mark: z.uuid().nullable(), studio: z.uuid().nullable() });
export type PersonMark = Readonly<{ id: number; name: string; mark: string | null }>;

/** Everyone of the list by name, each with their mark. */
export async function listPersonMarks(db: Db, which: PeopleList): Promise<{ people: PersonMark[]; studio: string | null }> {
  const { rows } = await db.query(
    `select c.id, c.name, m.mark, (select mark from case_mark where client_id is null) as studio
       from client c left join case_mark m on m.client_id = c.id
      where (c.archived_at is not null) = $1
      order by lower(c.name), c.id`,
    [which === 'archived']
  );
  const people = allRows(PersonMarkRow, rows);
  return { people, studio: people[0]?.studio ?? null };
}
