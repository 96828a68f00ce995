import { z } from 'zod';
import { ScreeningDraftSchema, type ScreeningDraft } from '$lib/contract/checkForms';
import { joints, type Clearance, type Joint, type Limit, type LimitFrom, type LimitKind } from '$lib/core';
import type { ClientTx, Db } from '../db/db';
import { firstRow, IdRow, oneRow } from '../db/rows';

/** A limit that a named person relaxed. */
export type Relaxed = Readonly<{ kind: LimitKind; from: LimitFrom; by: string; on: string; note: string }>;

const answers = ScreeningDraftSchema.shape;
const ScreeningRow = z
  .object({
    id: z.int(),
    taken_on: z.iso.date(),
    version: z.string(),
    flags: z.array(z.string()),
    sides: answers.sides,
    end_stops: answers.endStops,
    beighton: answers.beighton,
    effort_cap_pct: z.int(),
    sensation_cap: z.int(),
    adult: z.string(),
    joints: z.array(z.enum(joints)),
    clearance: z.enum(['go', 'go with limits', 'clinician first', 'urgent']),
    limits: z.array(z.custom<Limit>()),
    relaxed: z.array(z.custom<Relaxed>()),
    cleared_by: z.string().nullable(),
    cleared_on: z.iso.date().nullable(),
    clear_note: z.string()
  })
  .transform((r) => ({
    id: r.id,
    takenOn: r.taken_on,
    version: r.version,
    flags: r.flags,
    sides: r.sides,
    endStops: r.end_stops,
    beighton: r.beighton,
    effortCapPct: r.effort_cap_pct,
    sensationCap: r.sensation_cap,
    adult: r.adult,
    /** Joints that were asked about. */
    joints: r.joints,
    clearance: r.clearance,
    limits: r.limits,
    relaxed: r.relaxed,
    clearedBy: r.cleared_by,
    clearedOn: r.cleared_on,
    clearNote: r.clear_note
  }));
export type ScreeningRecord = z.output<typeof ScreeningRow>;

/** The screening that counts: the newest; null when there is none. */
export async function findScreening(db: Db, clientId: number): Promise<ScreeningRecord | null> {
  const { rows } = await db.query(
    `select id, taken_on, version, flags, sides, end_stops, beighton, effort_cap_pct, sensation_cap, adult, joints, clearance, limits, relaxed,
            cleared_by, cleared_on, clear_note
       from screening where client_id = $1 order by id desc limit 1`,
    [clientId]
  );
  return firstRow(ScreeningRow, rows);
}

export type NewScreening = Omit<ScreeningDraft, 'topics'> &
  Readonly<{ takenOn: string; version: string; joints: readonly Joint[]; clearance: Clearance; limits: readonly Limit[] }>;

export async function insertScreening(tx: ClientTx, clientId: number, s: NewScreening): Promise<number> {
  const { rows } = await tx.query(
    `insert into screening (client_id, taken_on, version, flags, sides, end_stops, beighton, effort_cap_pct, sensation_cap,
                            clearance, limits, adult, joints)
     values ($1, $2, $3, $4, $5, $6, $7, $8, $9, $10, $11, $12, $13) returning id`,
    [
      clientId,
      s.takenOn,
      s.version,
      JSON.stringify(s.flags),
      JSON.stringify(s.sides),
      JSON.stringify(s.endStops),
      JSON.stringify(s.beighton),
      s.effortCapPct,
      s.sensationCap,
      s.clearance,
      JSON.stringify(s.limits),
      s.adult,
      JSON.stringify(s.joints)
    ]
  );
  return oneRow(IdRow, rows, 'screening').id;
}

export async function updateClearance(tx: ClientTx, id: number, by: string, on: string, note: string): Promise<void> {
  await tx.query('update screening set cleared_by = $1, cleared_on = $2, clear_note = $3 where id = $4', [by, on, note, id]);
}

export async function updateRelaxed(tx: ClientTx, id: number, relaxed: readonly Relaxed[]): Promise<void> {
  await tx.query('update screening set relaxed = $1 where id = $2', [JSON.stringify(relaxed), id]);
}

const DraftRow = z.object({ answers: ScreeningDraftSchema }).transform((r): ScreeningDraft => r.answers);

/** A conversation that was begun and not ended; null when there is none. */
export async function findDraft(db: Db, clientId: number): Promise<ScreeningDraft | null> {
  const { rows } = await db.query('select answers from screening_draft where client_id = $1', [clientId]);
  return firstRow(DraftRow, rows);
}

export async function upsertDraft(tx: ClientTx, clientId: number, draft: ScreeningDraft): Promise<void> {
  await tx.query(
    `insert into screening_draft (client_id, answers) values ($1, $2)
     on conflict (client_id) do update set answers = excluded.answers, saved_at = now()`,
    [clientId, JSON.stringify(draft)]
  );
}

export async function deleteDraft(tx: ClientTx, clientId: number): Promise<void> {
  await tx.query('delete from screening_draft where client_id = $1', [clientId]);
}
