import { z } from 'zod';
import type { Clearance, Limit } from '$lib/core';
import type { Db } from '../db/db';
import { firstRow, IdRow, oneRow } from '../db/rows';

const ScreeningRow = z
  .object({
    id: z.int(),
    taken_on: z.iso.date(),
    version: z.string(),
    flags: z.array(z.string()),
    effort_cap_pct: z.int(),
    sensation_cap: z.int(),
    clearance: z.enum(['go', 'go with limits', 'clinician first', 'urgent']),
    limits: z.array(z.custom<Limit>()),
    cleared_by: z.string().nullable(),
    cleared_on: z.iso.date().nullable(),
    clear_note: z.string()
  })
  .transform((r) => ({
    id: r.id,
    takenOn: r.taken_on,
    version: r.version,
    flags: r.flags,
    effortCapPct: r.effort_cap_pct,
    sensationCap: r.sensation_cap,
    clearance: r.clearance,
    limits: r.limits,
    clearedBy: r.cleared_by,
    clearedOn: r.cleared_on,
    clearNote: r.clear_note
  }));
export type ScreeningRecord = z.output<typeof ScreeningRow>;

/** The screening that counts: the newest; null when there is none. */
export async function findScreening(db: Db, clientId: number): Promise<ScreeningRecord | null> {
  const { rows } = await db.query(
    `select id, taken_on, version, flags, effort_cap_pct, sensation_cap, clearance, limits, cleared_by, cleared_on, clear_note
       from screening where client_id = $1 order by id desc limit 1`,
    [clientId]
  );
  return firstRow(ScreeningRow, rows);
}

export type NewScreening = Readonly<{
  takenOn: string;
  version: string;
  flags: readonly string[];
  effortCapPct: number;
  sensationCap: number;
  clearance: Clearance;
  limits: readonly Limit[];
}>;

export async function insertScreening(db: Db, clientId: number, s: NewScreening): Promise<number> {
  const { rows } = await db.query(
    `insert into screening (client_id, taken_on, version, flags, effort_cap_pct, sensation_cap, clearance, limits)
     values ($1, $2, $3, $4, $5, $6, $7, $8) returning id`,
    [
      clientId,
      s.takenOn,
      s.version,
      JSON.stringify(s.flags),
      s.effortCapPct,
      s.sensationCap,
      s.clearance,
      JSON.stringify(s.limits)
    ]
  );
  return oneRow(IdRow, rows, 'screening').id;
}

export async function updateClearance(db: Db, id: number, by: string, on: string, note: string): Promise<void> {
  await db.query('update screening set cleared_by = $1, cleared_on = $2, clear_note = $3 where id = $4', [by, on, note, id]);
}
