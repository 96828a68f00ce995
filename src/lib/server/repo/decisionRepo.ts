import { sides } from '$lib/core';
import { z } from 'zod';
import type { DialId, Side, Verdict, VerdictWhy } from '$lib/core';
import type { ClientTx, Db } from '../db/db';
import { allRows, instant, rowsAtOnce } from '../db/rows';

const verdict = z.enum(['deepen', 'stay', 'ease', 'stop']);

const DecisionRow = z
  .object({
    id: z.int(),
    session_id: z.int(),
    moment: z.enum(['review', 'resume', 'afterwards']),
    exercise_id: z.string(),
    side: z.enum(sides).nullable(),
    proposed_verdict: verdict,
    because: z.array(z.custom<VerdictWhy>()),
    verdict,
    dial: z.string().nullable(),
    from_value: z.number().nullable(),
    to_value: z.number().nullable(),
    overruled_because: z.string().nullable(),
    decided_on: z.iso.date(),
    decided_at: instant
  })
  .transform((r) => ({
    id: r.id,
    sessionId: r.session_id,
    moment: r.moment,
    exerciseId: r.exercise_id,
    side: r.side,
    proposedVerdict: r.proposed_verdict,
    because: r.because,
    verdict: r.verdict,
    dial: r.dial,
    from: r.from_value,
    to: r.to_value,
    overruledBecause: r.overruled_because,
    decidedOn: r.decided_on,
    decidedAt: r.decided_at
  }));
export type DecisionRecord = z.output<typeof DecisionRow>;

const columns = `id, session_id, moment, exercise_id, side, proposed_verdict, because, verdict, dial, from_value, to_value, overruled_because,
                 decided_on, decided_at`;

/** Decisions of a goal, oldest first. */
export const listDecisions = (db: Db, goalId: number): Promise<DecisionRecord[]> =>
  rowsAtOnce(db, DecisionRow, `select ${columns} from decision where goal_id = $1 order by decided_on, id`, [goalId]);

/**
 * Decisions that still bear on what comes, oldest first: those that moved a dial or stopped something, those since a day, those on some
 * sessions, and the newest.
 */
export const listDecisionsAtHand = (
  db: Db,
  goalId: number,
  { since, sessionIds }: Readonly<{ since: string; sessionIds: readonly number[] }>
): Promise<DecisionRecord[]> =>
  rowsAtOnce(
    db,
    DecisionRow,
    `select ${columns} from decision
      where goal_id = $1
        and (dial is not null or verdict <> 'stay' or decided_on >= $2 or session_id = any ($3::int[])
             or id = (select id from decision where goal_id = $1 order by decided_on desc, id desc limit 1))
      order by decided_on, id`,
    [goalId, since, sessionIds]
  );

/** Takes a decision back, as if it had not been made; false when it is gone already. */
export async function deleteDecision(tx: ClientTx, id: number): Promise<boolean> {
  const { rowCount } = await tx.query('delete from decision where id = $1', [id]);
  return rowCount === 1;
}

export type NewDecision = Readonly<{
  sessionId: number;
  moment: DecisionRecord['moment'];
  exerciseId: string;
  /** Null for both sides together. */
  side: Side | null;
  proposedVerdict: Verdict;
  because: readonly VerdictWhy[];
  verdict: Verdict;
  dial: DialId | null;
  from: number | null;
  to: number | null;
  overruledBecause: string | null;
  decidedOn: string;
}>;

const KeptRow = z.object({ ordinal: z.int() });

/** Keeps decisions in their order; returns those that were kept: what was decided in another tab meanwhile stays as it was. */
export async function insertDecisions(tx: ClientTx, goalId: number, decisions: readonly NewDecision[]): Promise<NewDecision[]> {
  const { rows } = await tx.query(
    `with d as (
       select *
         from jsonb_to_recordset($2::jsonb) as d(ordinal int, "sessionId" int, moment text, "exerciseId" text, side text, "proposedVerdict" text,
              because jsonb, verdict text, dial text, "from" numeric, "to" numeric, "overruledBecause" text, "decidedOn" date)
     ), kept as (
       insert into decision (goal_id, session_id, moment, exercise_id, side, proposed_verdict, because, verdict, dial, from_value, to_value,
                             overruled_because, decided_on, decided_at)
       select $1, "sessionId", moment, "exerciseId", side, "proposedVerdict", because, verdict, dial, "from", "to", "overruledBecause",
              "decidedOn", clock_timestamp()
         from d
        order by ordinal
       on conflict (session_id, moment, exercise_id, side) do nothing
       returning session_id, moment, exercise_id, side
     )
     select d.ordinal
       from d
       join kept on kept.session_id = d."sessionId" and kept.moment = d.moment and kept.exercise_id = d."exerciseId"
                and kept.side is not distinct from d.side
      order by d.ordinal`,
    [goalId, JSON.stringify(decisions.map((d, ordinal) => ({ ...d, ordinal })))]
  );
  return allRows(KeptRow, rows).map(({ ordinal }) => decisions[ordinal]!);
}
