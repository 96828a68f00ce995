import { sides, type KeptBands, type Side } from '$lib/core';
import { z } from 'zod';
import type { ClientTx, Db } from '../db/db';
import { allRows, firstRow } from '../db/rows';

const KeptRow = z
  .object({
    id: z.int(),
    side: z.enum(sides).nullable(),
    made_on: z.iso.date(),
    taken_as: z.string(),
    target: z.number().nullable(),
    bands: z.custom<KeptBands>(),
    prior_share: z.number()
  })
  .transform((r) => ({
    id: r.id,
    side: r.side,
    madeOn: r.made_on,
    takenAs: r.taken_as,
    target: r.target,
    bands: r.bands,
    priorShare: r.prior_share
  }));
/** A forecast as it was told on its day. */
export type KeptForecast = z.output<typeof KeptRow>;

const columns = 'id, side, made_on, taken_as, target, bands, prior_share';

/** Forecasts of a goal, oldest first. */
export async function listForecasts(db: Db, goalId: number): Promise<KeptForecast[]> {
  const { rows } = await db.query(`select ${columns} from kept_forecast where goal_id = $1 order by made_on, id`, [goalId]);
  return allRows(KeptRow, rows);
}

/** Of the forecasts of one side, of measures taken alike: the oldest, and the newest of those made up to a day. */
export async function findForecastsToAnswer(
  db: Db,
  goalId: number,
  { side, takenAs, upTo }: Readonly<{ side: Side | null; takenAs: string; upTo: string }>
): Promise<{ oldest: KeptForecast | null; newest: KeptForecast | null }> {
  const alike = 'from kept_forecast where goal_id = $1 and side is not distinct from $2 and taken_as = $3';
  const oldest = await db.query(`select ${columns} ${alike} order by made_on, id limit 1`, [goalId, side, takenAs]);
  const newest = await db.query(`select ${columns} ${alike} and made_on <= $4 order by made_on desc, id desc limit 1`, [
    goalId,
    side,
    takenAs,
    upTo
  ]);
  return { oldest: firstRow(KeptRow, oldest.rows), newest: firstRow(KeptRow, newest.rows) };
}

/** Keeps the forecast of a day; the last of the day counts. */
export async function upsertForecast(tx: ClientTx, goalId: number, f: Omit<KeptForecast, 'id'>): Promise<void> {
  await tx.query(
    `insert into kept_forecast (goal_id, side, made_on, taken_as, target, bands, prior_share) values ($1, $2, $3, $4, $5, $6, $7)
     on conflict (goal_id, side, made_on) do update
       set taken_as = excluded.taken_as, target = excluded.target, bands = excluded.bands, prior_share = excluded.prior_share`,
    [goalId, f.side, f.madeOn, f.takenAs, f.target, JSON.stringify(f.bands), f.priorShare]
  );
}

export type ForecastScore = Readonly<{ forecastId: number; weeksAhead: number; within50: boolean; within90: boolean }>;

/** Keeps how the forecasts made before an occasion did against it; scored again they are replaced. */
export async function upsertScores(tx: ClientTx, occasionId: number, scores: readonly ForecastScore[]): Promise<void> {
  if (scores.length === 0) return;
  await tx.query(
    `insert into forecast_score (kept_forecast_id, occasion_id, weeks_ahead, within50, within90)
     select "forecastId", $1, "weeksAhead", within50, within90
       from jsonb_to_recordset($2::jsonb) as s("forecastId" int, "weeksAhead" float8, within50 boolean, within90 boolean)
     on conflict (kept_forecast_id, occasion_id) do update
       set weeks_ahead = excluded.weeks_ahead, within50 = excluded.within50, within90 = excluded.within90`,
    [occasionId, JSON.stringify(scores)]
  );
}

const ScoreRow = z
  .object({
    client_id: z.int(),
    kind: z.string(),
    ahead: z.enum(['to 4', '5 to 8', 'over 8']),
    scores: z.int(),
    held50: z.int(),
    held90: z.int()
  })
  .transform(({ client_id, ...r }) => ({ clientId: client_id, ...r }));
/** How often the bands of one person's goals of a kind held, so many weeks ahead. */
export type ScoreCount = z.output<typeof ScoreRow>;

/**
 * Scores of some people by kind of goal and weeks ahead; of measures that still stand. Of the forecasts a measure answers, the newest of
 * each span counts: many made in a row say much the same.
 */
export async function countScores(db: Db, clientIds: readonly number[]): Promise<ScoreCount[]> {
  const { rows } = await db.query(
    `select client_id, kind, ahead, count(*)::int as scores,
            (count(*) filter (where within50))::int as held50,
            (count(*) filter (where within90))::int as held90
       from (select distinct on (s.occasion_id, f.goal_id, f.side, span.ahead)
                    g.kind, g.client_id, span.ahead, s.within50, s.within90
               from forecast_score s
               join kept_forecast f on f.id = s.kept_forecast_id
               join goal g on g.id = f.goal_id and g.client_id = any($1)
               join occasion o on o.id = s.occasion_id and o.removed_at is null
              cross join lateral (select case when s.weeks_ahead <= 4.5 then 'to 4'
                                              when s.weeks_ahead <= 8.5 then '5 to 8'
                                              else 'over 8' end as ahead) span
              order by s.occasion_id, f.goal_id, f.side, span.ahead, f.made_on desc) newest
      group by client_id, kind, ahead
      order by kind, ahead, client_id`,
    [clientIds]
  );
  return allRows(ScoreRow, rows);
}
