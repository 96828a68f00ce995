import { z } from 'zod';
import { levels, type ClientInput } from '$lib/contract/forms';
import type { Db } from '../db/db';
import { IdRow, oneRow } from '../db/rows';

const ClientRow = z
  .object({
    id: z.int(),
    name: z.string(),
    birth_year: z.int(),
    level: z.enum(levels),
    contact: z.string(),
    stature_cm: z.number(),
    left_leg_cm: z.number().nullable(),
    right_leg_cm: z.number().nullable(),
    body_mass_kg: z.number().nullable(),
    sessions_per_week: z.int(),
    minutes_per_session: z.int(),
    notes: z.string(),
    archived_at: z.string().nullable()
  })
  .transform((r) => ({
    id: r.id,
    name: r.name,
    birthYear: r.birth_year,
    level: r.level,
    contact: r.contact,
    statureCm: r.stature_cm,
    leftLegCm: r.left_leg_cm,
    rightLegCm: r.right_leg_cm,
    bodyMassKg: r.body_mass_kg,
    sessionsPerWeek: r.sessions_per_week,
    minutesPerSession: r.minutes_per_session,
    notes: r.notes,
    archivedAt: r.archived_at
  }));
export type Client = z.output<typeof ClientRow>;

const columns = `id, name, birth_year, level, contact, stature_cm, left_leg_cm, right_leg_cm, body_mass_kg,
                 sessions_per_week, minutes_per_session, notes, archived_at`;

export async function getClient(db: Db, id: number): Promise<Client> {
  const { rows } = await db.query(`select ${columns} from client where id = $1`, [id]);
  return oneRow(ClientRow, rows, 'client');
}

const valuesOf = (c: ClientInput) => [
  c.name,
  c.birthYear,
  c.level,
  c.contact,
  c.statureCm,
  c.leftLegCm,
  c.rightLegCm,
  c.bodyMassKg,
  c.sessionsPerWeek,
  c.minutesPerSession,
  c.notes
];

export async function insertClient(db: Db, client: ClientInput): Promise<number> {
  const { rows } = await db.query(
    `insert into client (name, birth_year, level, contact, stature_cm, left_leg_cm, right_leg_cm, body_mass_kg,
                         sessions_per_week, minutes_per_session, notes)
     values ($1, $2, $3, $4, $5, $6, $7, $8, $9, $10, $11) returning id`,
    valuesOf(client)
  );
  return oneRow(IdRow, rows, 'client').id;
}

export async function updateClient(db: Db, id: number, client: ClientInput): Promise<void> {
  await db.query(
    `update client
        set name = $1, birth_year = $2, level = $3, contact = $4, stature_cm = $5, left_leg_cm = $6, right_leg_cm = $7,
            body_mass_kg = $8, sessions_per_week = $9, minutes_per_session = $10, notes = $11
      where id = $12`,
    [...valuesOf(client), id]
  );
}

export async function updateArchived(db: Db, id: number, archivedAt: string | null): Promise<void> {
  await db.query('update client set archived_at = $1 where id = $2', [archivedAt, id]);
}
