import { z } from 'zod';
import { bodyState } from '$lib/contract/fields';
import { measureModes, type MeasureInput } from '$lib/contract/forms';
import type { Db } from '../db/db';
import { allRows, IdRow, oneRow } from '../db/rows';

const TrialJson = z
  .object({ side: z.enum(['left', 'right']), mode: z.enum(measureModes), gap_cm: z.number(), lead_raise_cm: z.number() })
  .transform((t) => ({ side: t.side, mode: t.mode, depthCm: t.gap_cm > 0 ? t.gap_cm : -t.lead_raise_cm || 0 }));

const OccasionRow = z
  .object({ id: z.int(), taken_on: z.iso.date(), body_state: bodyState, note: z.string(), trials: z.array(TrialJson) })
  .transform((r) => ({ id: r.id, takenOn: r.taken_on, bodyState: r.body_state, note: r.note, trials: r.trials }));
/** One measuring occasion; trials carry the signed depth. */
export type Occasion = z.output<typeof OccasionRow>;

/** Occasions of a goal with their trials, oldest first. */
export async function listOccasions(db: Db, goalId: number): Promise<Occasion[]> {
  const { rows } = await db.query(
    `select o.id, o.taken_on, o.body_state, o.note,
            coalesce(json_agg(json_build_object('side', t.side, 'mode', t.mode, 'gap_cm', t.gap_cm, 'lead_raise_cm', t.lead_raise_cm)
                              order by t.side, t.mode, t.ordinal) filter (where t.id is not null), '[]') as trials
       from occasion o left join trial t on t.occasion_id = o.id
      where o.goal_id = $1 and o.removed_at is null
      group by o.id
      order by o.taken_on, o.id`,
    [goalId]
  );
  return allRows(OccasionRow, rows);
}

/** An occasion and all its trials; meant for a transaction. */
export async function insertOccasion(tx: Db, goalId: number, m: MeasureInput): Promise<number> {
  const { rows } = await tx.query(
    'insert into occasion (goal_id, taken_on, body_state, note) values ($1, $2, $3, $4) returning id',
    [goalId, m.takenOn, m.bodyState, m.note]
  );
  const { id } = oneRow(IdRow, rows, 'occasion');
  for (const t of m.trials)
    await tx.query(
      'insert into trial (occasion_id, side, mode, ordinal, gap_cm, lead_raise_cm) values ($1, $2, $3, $4, $5, $6)',
      [id, t.side, t.mode, t.ordinal, t.gapCm, t.leadRaiseCm]
    );
  return id;
}

/** Takes an occasion out of the record, or puts it back (null). */
export async function updateOccasionRemoved(db: Db, goalId: number, id: number, removedAt: string | null): Promise<void> {
  await db.query('update occasion set removed_at = $1 where id = $2 and goal_id = $3', [removedAt, id, goalId]);
}
