import { z } from 'zod';
import type { ClientTx, Db } from '../db/db';
import { oneRow } from '../db/rows';
import type { Prescribed } from './sessionRepo';

const KeptRow = z.object({ prescribed: z.custom<Prescribed>() });

/** Keeps what a device was given under its copy; the same copy is kept once. */
export async function upsertKept(tx: ClientTx, sessionId: number, copy: string, prescribed: string): Promise<void> {
  await tx.query(
    `insert into kept_session (session_id, copy, prescribed) values ($1, $2, $3)
     on conflict (session_id, copy) do update set kept_at = now()`,
    [sessionId, copy, prescribed]
  );
}

/** What a device was given. Throws: CoreError 'not_found'. */
export async function getKept(db: Db, sessionId: number, copy: string): Promise<Prescribed> {
  const { rows } = await db.query('select prescribed from kept_session where session_id = $1 and copy = $2', [sessionId, copy]);
  return oneRow(KeptRow, rows, 'kept session').prescribed;
}

/** Drops what nobody starts from any more: of sessions that have begun, and what is older than an instant. */
export async function deleteKeptBefore(db: Db, instant: string): Promise<void> {
  await db.query(
    `delete from kept_session k using session s
      where s.id = k.session_id and (s.status not in ('planned', 'superseded') or k.kept_at < $1)`,
    [instant]
  );
}
