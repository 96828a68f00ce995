import { z } from 'zod';
import { DemandSchema, type GoalInput } from '$lib/contract/goalForms';
import { goalOf, sides } from '$lib/core';
import type { ClientTx, Db } from '../db/db';
import { allRows, changedOne, IdRow, oneRow } from '../db/rows';

const GoalRow = z
  .object({
    id: z.int(),
    client_id: z.int(),
    kind: z.string(),
    title: z.string(),
    headline: z.string(),
    lead_side: z.enum(sides).nullable(),
    target: z.number().nullable(),
    target_reason: z.string(),
    target_on: z.iso.date().nullable(),
    event_name: z.string(),
    stage: z.int(),
    stage_on: z.iso.date().nullable(),
    demands: z.array(DemandSchema).nullable()
  })
  .transform((r) => ({
    id: r.id,
    clientId: r.client_id,
    kind: r.kind,
    name: r.title || goalOf(r.kind).name,
    title: r.title,
    headline: r.headline,
    leadSide: r.lead_side,
    target: r.target,
    targetReason: r.target_reason,
    targetOn: r.target_on,
    eventName: r.event_name,
    stage: r.stage,
    /** Since when the stage is in work; null: since the goal was set. */
    stageOn: r.stage_on,
    /** As changed for this client, else those of the catalogue. */
    demands: r.demands ?? goalOf(r.kind).demands,
    isChanged: r.demands !== null
  }));
export type ClientGoal = z.output<typeof GoalRow>;

/** The open goals of a client, oldest first. */
export async function listGoals(db: Db, clientId: number): Promise<ClientGoal[]> {
  const { rows } = await db.query(
    `select id, client_id, kind, title, headline, lead_side, target, target_reason, target_on, event_name, stage, stage_on, demands
       from goal where client_id = $1 and closed_at is null order by id`,
    [clientId]
  );
  return allRows(GoalRow, rows);
}

const valuesOf = (g: GoalInput) => [
  g.kind,
  g.title,
  g.headline,
  g.leadSide,
  g.target,
  g.targetReason,
  g.targetOn,
  g.eventName,
  g.stage,
  g.demands && JSON.stringify(g.demands)
];

export async function insertGoal(tx: ClientTx, clientId: number, g: GoalInput, today: string): Promise<number> {
  const { rows } = await tx.query(
    `insert into goal (client_id, kind, title, headline, lead_side, target, target_reason, target_on, event_name, stage, demands, stage_on)
     values ($1, $2, $3, $4, $5, $6, $7, $8, $9, $10, $11, $12) returning id`,
    [clientId, ...valuesOf(g), today]
  );
  return oneRow(IdRow, rows, 'goal').id;
}

export async function updateGoal(tx: ClientTx, clientId: number, id: number, g: GoalInput, today: string): Promise<void> {
  changedOne(
    await tx.query(
      `update goal set kind = $1, title = $2, headline = $3, lead_side = $4, target = $5, target_reason = $6, target_on = $7,
                     event_name = $8, stage = $9, demands = $10,
                     stage_on = case when stage = $9 then stage_on else $13::date end
      where id = $11 and client_id = $12`,
      [...valuesOf(g), id, clientId, today]
    ),
    'goal'
  );
}

/** Ends a goal, or takes it up again (null); what was measured and done for it stays. */
export async function updateGoalClosed(tx: ClientTx, clientId: number, id: number, closedAt: string | null): Promise<void> {
  changedOne(await tx.query('update goal set closed_at = $1 where id = $2 and client_id = $3', [closedAt, id, clientId]), 'goal');
}
