import { z } from 'zod';
import { effects } from '$lib/core';
import type { ClientTx, Db } from '../db/db';
import { allRows, changedOne, IdRow, oneRow, rowsAtOnce } from '../db/rows';
import { takenOutRow, type TakenOut } from './takenOut';

const NotedRow = z
  .object({
    id: z.int().nullable(),
    client_id: z.int(),
    client_name: z.string(),
    exercise_id: z.string().nullable(),
    effect: z.enum(effects).nullable(),
    noted: z.string(),
    noted_on: z.iso.date()
  })
  .transform((r) => ({
    /** Of a judgement; what an exercise did is told by person and exercise. */
    id: r.id,
    clientId: r.client_id,
    clientName: r.client_name,
    exerciseId: r.exercise_id,
    effect: r.effect,
    text: r.noted,
    notedOn: r.noted_on
  }));
/** Something an instructor noted: a judgement, or what an exercise did for a person. */
export type Noted = z.output<typeof NotedRow>;

/** What to look for; what is absent narrows nothing. */
export type NotedQuery = Readonly<{ clientId?: number; exerciseId?: string; text?: string }>;

/** What was noted over all people, the newest first: so many, and whether there are more. */
export async function listNoted(
  db: Db,
  { clientId, exerciseId, text = '' }: NotedQuery,
  most: number
): Promise<{ noted: Noted[]; hasMore: boolean }> {
  const { rows } = await db.query(
    `select * from (
       select j.id, j.client_id, c.name as client_name, j.exercise_id, null as effect, j.judgement as noted, j.judged_on as noted_on
         from judgement j join client c on c.id = j.client_id where j.removed_at is null
       union all
       select null, n.client_id, c.name, n.exercise_id, n.effect, n.note, n.noted_on
         from exercise_note n join client c on c.id = n.client_id) as noted
      where ($1::integer is null or client_id = $1) and ($2::text is null or exercise_id = $2)
        and ($3 = '' or strpos(lower(noted), lower($3)) > 0)
      order by noted_on desc, id desc nulls last, client_name, exercise_id
      limit $4`,
    [clientId ?? null, exerciseId ?? null, text, most + 1]
  );
  const noted = allRows(NotedRow, rows);
  return { noted: noted.slice(0, most), hasMore: noted.length > most };
}

export async function insertJudgement(
  tx: ClientTx,
  clientId: number,
  j: Readonly<{ exerciseId: string | null; judgement: string; judgedOn: string }>
): Promise<number> {
  const { rows } = await tx.query(
    'insert into judgement (client_id, exercise_id, judged_on, judgement) values ($1, $2, $3, $4) returning id',
    [clientId, j.exerciseId, j.judgedOn, j.judgement]
  );
  return oneRow(IdRow, rows, 'judgement').id;
}

/** Returns the judgements of a person that were taken out since an instant, the last first. */
export const listRemovedJudgements = (db: Db, clientId: number, since: string): Promise<TakenOut<number>[]> =>
  rowsAtOnce(
    db,
    takenOutRow(z.int()),
    `select id, judgement as text, removed_at as "removedAt" from judgement
      where client_id = $1 and removed_at > $2 order by removed_at desc`,
    [clientId, since]
  );

/** Takes a judgement out, or puts it back (null). Throws: CoreError 'not_found'. */
export async function updateJudgementRemoved(
  tx: ClientTx,
  clientId: number,
  id: number,
  removedAt: string | null
): Promise<void> {
  changedOne(
    await tx.query('update judgement set removed_at = $3 where client_id = $1 and id = $2', [clientId, id, removedAt]),
    'judgement'
  );
}
