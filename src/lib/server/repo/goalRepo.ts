import { z } from 'zod';
import type { GoalInput } from '$lib/contract/forms';
import type { Db } from '../db/db';
import { firstRow, IdRow, oneRow } from '../db/rows';

const GoalRow = z
  .object({
    id: z.int(),
    client_id: z.int(),
    lead_side: z.enum(['left', 'right']),
    target_depth_cm: z.number(),
    target_on: z.iso.date().nullable(),
    event_name: z.string()
  })
  .transform((r) => ({
    id: r.id,
    clientId: r.client_id,
    leadSide: r.lead_side,
    targetDepthCm: r.target_depth_cm,
    targetOn: r.target_on,
    eventName: r.event_name
  }));
export type ClientGoal = z.output<typeof GoalRow>;

/** The open goal of a client, the newest where there are several; null when none is set. */
export async function findGoal(db: Db, clientId: number): Promise<ClientGoal | null> {
  const { rows } = await db.query(
    `select id, client_id, lead_side, target_depth_cm, target_on, event_name
       from goal where client_id = $1 and closed_at is null
      order by id desc limit 1`,
    [clientId]
  );
  return firstRow(GoalRow, rows);
}

export async function insertGoal(db: Db, clientId: number, g: GoalInput): Promise<number> {
  const { rows } = await db.query(
    `insert into goal (client_id, kind, lead_side, target_depth_cm, target_on, event_name)
     values ($1, 'front_split', $2, $3, $4, $5) returning id`,
    [clientId, g.leadSide, g.targetDepthCm, g.targetOn, g.eventName]
  );
  return oneRow(IdRow, rows, 'goal').id;
}

export async function updateGoal(db: Db, id: number, g: GoalInput): Promise<void> {
  await db.query('update goal set lead_side = $1, target_depth_cm = $2, target_on = $3, event_name = $4 where id = $5', [
    g.leadSide,
    g.targetDepthCm,
    g.targetOn,
    g.eventName,
    id
  ]);
}
