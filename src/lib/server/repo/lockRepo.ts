import { z } from 'zod';
import { joints, lines, sides, type OpenStop, type Stop } from '$lib/core';
import type { ClientTx, Db } from '../db/db';
import { allRows } from '../db/rows';

type Target = Readonly<{
  joint: (typeof joints)[number] | null;
  line: (typeof lines)[number] | null;
  exercise_id: string | null;
  side: 'left' | 'right' | null;
}>;

function stopOf({ joint, line, exercise_id: exerciseId, side }: Target): Stop {
  if (joint) return { joint, side };
  if (line) return { line, side };
  return exerciseId ? { exerciseId, side } : { person: true };
}

const LockRow = z
  .object({
    id: z.int(),
    joint: z.enum(joints).nullable(),
    line: z.enum(lines).nullable(),
    exercise_id: z.string().nullable(),
    whole_person: z.boolean(),
    side: z.enum(sides).nullable(),
    reason: z.string(),
    opened_on: z.iso.date(),
    cleared_by: z.string().nullable(),
    cleared_on: z.iso.date().nullable()
  })
  .transform((r) => ({
    id: r.id,
    /** What it takes out. */
    stop: stopOf(r),
    reason: r.reason,
    openedOn: r.opened_on,
    clearedBy: r.cleared_by,
    clearedOn: r.cleared_on
  }));
export type BodyLock = z.output<typeof LockRow>;

/** Locks of a client, the newest first, cleared ones too. */
export async function listLocks(db: Db, clientId: number): Promise<BodyLock[]> {
  const { rows } = await db.query(
    `select id, joint, line, exercise_id, whole_person, side, reason, opened_on, cleared_by, cleared_on
       from body_lock where client_id = $1 order by id desc`,
    [clientId]
  );
  return allRows(LockRow, rows);
}

export const openLocks = (locks: readonly BodyLock[]): BodyLock[] => locks.filter((l) => l.clearedOn === null);
/** The open ones as the gate reads them. */
export const openStops = (locks: readonly BodyLock[]): OpenStop[] =>
  openLocks(locks).map(({ stop, reason, openedOn }) => ({ ...stop, reason, openedOn }));

export type NewLock = Readonly<{ stop: Stop; reason: string; openedOn: string; painEventId: string | null }>;

/** Opens a stop unless the same one is open already. */
export async function insertLock(
  tx: ClientTx,
  clientId: number,
  { stop, reason, openedOn, painEventId }: NewLock
): Promise<void> {
  const joint = 'joint' in stop ? stop.joint : null;
  const line = 'line' in stop ? stop.line : null;
  const exerciseId = 'exerciseId' in stop ? stop.exerciseId : null;
  const side = 'side' in stop ? stop.side : null;
  await tx.query(
    `insert into body_lock (client_id, pain_event_id, joint, line, exercise_id, whole_person, side, reason, opened_on)
     select $1::int, $2::uuid, $3::text, $4::text, $5::text, $6::boolean, $7::text, $8::text, $9::date
      where not exists (select 1 from body_lock
                         where client_id = $1 and cleared_on is null and joint is not distinct from $3
                           and line is not distinct from $4 and exercise_id is not distinct from $5
                           and whole_person = $6 and side is not distinct from $7)`,
    [clientId, painEventId, joint, line, exerciseId, 'person' in stop, side, reason, openedOn]
  );
}

/** Clears a stop that is open; false where there was none. */
export async function updateLockCleared(
  tx: ClientTx,
  clientId: number,
  id: number,
  by: string,
  on: string,
  note: string
): Promise<boolean> {
  const { rowCount } = await tx.query(
    'update body_lock set cleared_by = $1, cleared_on = $2, clear_note = $3 where id = $4 and client_id = $5 and cleared_on is null',
    [by, on, note, id, clientId]
  );
  return rowCount === 1;
}
