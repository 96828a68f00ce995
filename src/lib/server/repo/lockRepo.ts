import { z } from 'zod';
import type { Joint, JointSide, Line, Side } from '$lib/core';
import type { Db } from '../db/db';
import { allRows } from '../db/rows';

const LockRow = z
  .object({
    id: z.int(),
    joint: z.enum(['hip', 'knee', 'ankle', 'back']).nullable(),
    line: z.enum(['hamstring', 'hip flexor']).nullable(),
    side: z.enum(['left', 'right']).nullable(),
    reason: z.string(),
    opened_on: z.iso.date(),
    cleared_by: z.string().nullable(),
    cleared_on: z.iso.date().nullable()
  })
  .transform((r) => ({
    id: r.id,
    joint: r.joint,
    line: r.line,
    side: r.side,
    reason: r.reason,
    openedOn: r.opened_on,
    clearedBy: r.cleared_by,
    clearedOn: r.cleared_on
  }));
export type BodyLock = z.output<typeof LockRow>;

/** Locks of a client, the newest first, cleared ones too. */
export async function listLocks(db: Db, clientId: number): Promise<BodyLock[]> {
  const { rows } = await db.query(
    `select id, joint, line, side, reason, opened_on, cleared_by, cleared_on
       from body_lock where client_id = $1 order by id desc`,
    [clientId]
  );
  return allRows(LockRow, rows);
}

export const openLocks = (locks: readonly BodyLock[]): BodyLock[] => locks.filter((l) => l.clearedOn === null);
export const lockedJoints = (locks: readonly BodyLock[]): JointSide[] =>
  openLocks(locks).flatMap((l) => (l.joint ? [{ joint: l.joint, side: l.side }] : []));
export const restedLines = (locks: readonly BodyLock[]): { line: Line; side: Side }[] =>
  openLocks(locks).flatMap((l) => (l.line && l.side ? [{ line: l.line, side: l.side }] : []));

export type NewLock = Readonly<{
  joint?: Joint;
  line?: Line;
  side: Side | null;
  reason: string;
  openedOn: string;
  painEventId: string | null;
}>;

/** Opens a lock unless the same one is open already. */
export async function insertLock(db: Db, clientId: number, l: NewLock): Promise<void> {
  await db.query(
    `insert into body_lock (client_id, pain_event_id, joint, line, side, reason, opened_on)
     select $1::int, $2::uuid, $3::text, $4::text, $5::text, $6::text, $7::date
      where not exists (select 1 from body_lock
                         where client_id = $1 and cleared_on is null and joint is not distinct from $3
                           and line is not distinct from $4 and side is not distinct from $5)`,
    [clientId, l.painEventId, l.joint ?? null, l.line ?? null, l.side, l.reason, l.openedOn]
  );
}

export async function updateLockCleared(
  db: Db,
  clientId: number,
  id: number,
  by: string,
  on: string,
  note: string
): Promise<void> {
  await db.query(
    'update body_lock set cleared_by = $1, cleared_on = $2, clear_note = $3 where id = $4 and client_id = $5 and cleared_on is null',
    [by, on, note, id, clientId]
  );
}
