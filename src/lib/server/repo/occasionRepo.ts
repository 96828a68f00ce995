import { z } from 'zod';
import { bodyState } from '$lib/contract/fields';
import { dayTimes, trainings, type ConditionsInput, type TrialInput } from '$lib/contract/measureForms';
import { measureModes, sides, wayIds, type Entries } from '$lib/core';
import type { ClientTx, Db } from '../db/db';
import { allRows, changedOne, firstRow, IdRow, oneRow, rowsAtOnce } from '../db/rows';

const TrialJson = z
  .object({
    id: z.int(),
    measure_id: z.string(),
    side: z.enum(sides).nullable(),
    mode: z.enum(measureModes),
    way: z.enum(wayIds),
    support: z.string(),
    entries: z.record(z.string(), z.number()),
    value: z.number()
  })
  .transform((t) => ({
    id: t.id,
    measureId: t.measure_id,
    side: t.side,
    mode: t.mode,
    way: t.way,
    support: t.support,
    entries: t.entries,
    value: t.value
  }));
export type Trial = z.output<typeof TrialJson>;

const OccasionRow = z
  .object({
    id: z.int(),
    taken_on: z.iso.date(),
    body_state: bodyState,
    day_time: z.enum(dayTimes),
    training: z.enum(trainings),
    measurer: z.string(),
    note: z.string(),
    trials: z.array(TrialJson)
  })
  .transform((r) => ({
    id: r.id,
    takenOn: r.taken_on,
    bodyState: r.body_state,
    dayTime: r.day_time,
    training: r.training,
    measurer: r.measurer,
    note: r.note,
    trials: r.trials
  }));
/** One measuring occasion with its trials. */
export type Occasion = z.output<typeof OccasionRow>;

/** Occasions of a client with their trials, oldest first. */
export const listOccasions = (db: Db, clientId: number): Promise<Occasion[]> =>
  rowsAtOnce(
    db,
    OccasionRow,
    `select o.id, o.taken_on, o.body_state, o.day_time, o.training, o.measurer, o.note,
            coalesce(json_agg(json_build_object('id', t.id, 'measure_id', t.measure_id, 'side', t.side, 'mode', t.mode, 'way', t.way,
                                                'support', t.support, 'entries', t.entries, 'value', t.value)
                              order by t.measure_id, t.side, t.mode, t.way, t.ordinal) filter (where t.id is not null), '[]') as trials
       from occasion o left join trial t on t.occasion_id = o.id and t.removed_at is null
      where o.client_id = $1 and o.removed_at is null
      group by o.id
      order by o.taken_on, o.id`,
    [clientId]
  );

/**
 * The occasion of this day and these conditions that has none of the measures yet; null when a new one is begun. So one
 * visit is one occasion, and a measure taken twice is two.
 */
export async function findOpenOccasion(
  tx: Db,
  clientId: number,
  c: ConditionsInput,
  measureIds: readonly string[]
): Promise<number | null> {
  const { rows } = await tx.query(
    `select o.id from occasion o
      where o.client_id = $1 and o.removed_at is null and o.taken_on = $2 and o.body_state = $3 and o.day_time = $4
        and o.training = $5 and o.measurer = $6
        and not exists (select 1 from trial t where t.occasion_id = o.id and t.measure_id = any($7))
      order by o.id desc limit 1`,
    [clientId, c.takenOn, c.bodyState, c.dayTime, c.training, c.measurer, measureIds]
  );
  return firstRow(IdRow, rows)?.id ?? null;
}

export async function insertOccasion(tx: ClientTx, clientId: number, c: ConditionsInput): Promise<number> {
  const { rows } = await tx.query(
    `insert into occasion (client_id, taken_on, body_state, day_time, training, measurer, note)
     values ($1, $2, $3, $4, $5, $6, $7) returning id`,
    [clientId, c.takenOn, c.bodyState, c.dayTime, c.training, c.measurer, c.note]
  );
  return oneRow(IdRow, rows, 'occasion').id;
}

export type NewTrial = TrialInput & Readonly<{ value: number }>;

/** Gives the ids of the trials, in their order. */
export async function insertTrials(tx: ClientTx, occasionId: number, trials: readonly NewTrial[]): Promise<number[]> {
  const { rows } = await tx.query(
    `insert into trial (occasion_id, measure_id, side, mode, way, support, ordinal, entries, value)
     select $1, "measureId", side, mode, way, support, ordinal, entries, value
       from jsonb_to_recordset($2::jsonb) as t(place int, "measureId" text, side text, mode text, way text, support text, ordinal int,
            entries jsonb, value numeric)
      order by place
     returning id`,
    [occasionId, JSON.stringify(trials.map((t, place) => ({ ...t, place })))]
  );
  return allRows(IdRow, rows).map(({ id }) => id);
}

/** Keeps the values of trials anew. */
export async function updateTrialValues(tx: ClientTx, values: readonly Readonly<{ id: number; value: number }>[]): Promise<void> {
  if (values.length === 0) return;
  await tx.query(
    `update trial set value = v.value from jsonb_to_recordset($1::jsonb) as v(id int, value numeric)
      where trial.id = v.id and trial.value <> v.value`,
    [JSON.stringify(values)]
  );
}

export const trialChangeKinds = ['corrected', 'taken out', 'put back'] as const;

const TrialOfDayRow = TrialJson.and(
  z
    .object({
      ordinal: z.int(),
      removed_at: z.string().nullable(),
      changes: z.array(
        z
          .object({ changed_at: z.string(), kind: z.enum(trialChangeKinds), value: z.number() })
          .transform((r) => ({ changedAt: r.changed_at, kind: r.kind, value: r.value }))
      )
    })
    .transform((r) => ({ ordinal: r.ordinal, removedAt: r.removed_at, changes: r.changes }))
);
/** One number of an occasion, there or taken out, with what became of it. */
export type TrialOfDay = z.output<typeof TrialOfDayRow>;

/** Returns the numbers of one measure in one occasion, with those taken out, in their order. */
export const listTrialsOfDay = (db: Db, clientId: number, occasionId: number, measureId: string): Promise<TrialOfDay[]> =>
  rowsAtOnce(
    db,
    TrialOfDayRow,
    `select t.id, t.measure_id, t.side, t.mode, t.way, t.support, t.entries, t.value, t.ordinal, t.removed_at,
            coalesce((select json_agg(json_build_object('changed_at', x.changed_at, 'kind', x.kind, 'value', x.value) order by x.id)
                        from trial_change x where x.trial_id = t.id), '[]') as changes
       from trial t join occasion o on o.id = t.occasion_id
      where o.client_id = $1 and o.id = $2 and t.measure_id = $3 and o.removed_at is null
      order by t.mode desc, t.side, t.ordinal`,
    [clientId, occasionId, measureId]
  );

/** One change of a number: other entries, or taken out, or put back. */
export type TrialChange = Readonly<{ kind: (typeof trialChangeKinds)[number]; entries: Entries; value: number; at: string }>;

/** Changes one number, and keeps what it was before. */
export async function updateTrial(
  tx: ClientTx,
  trial: Pick<TrialOfDay, 'id' | 'entries' | 'value'>,
  change: TrialChange
): Promise<void> {
  await tx.query('insert into trial_change (trial_id, changed_at, kind, entries, value) values ($1, $2, $3, $4, $5)', [
    trial.id,
    change.at,
    change.kind,
    JSON.stringify(trial.entries),
    trial.value
  ]);
  const removedAt = change.kind === 'taken out' ? change.at : null;
  changedOne(
    await tx.query('update trial set entries = $2, value = $3, removed_at = $4 where id = $1', [
      trial.id,
      JSON.stringify(change.entries),
      change.value,
      removedAt
    ]),
    'trial'
  );
}

const RemovedRow = z
  .object({ id: z.int(), taken_on: z.iso.date(), removed_at: z.string(), measures: z.array(z.string()) })
  .transform((r) => ({ id: r.id, takenOn: r.taken_on, removedAt: r.removed_at, measures: r.measures }));
/** An occasion that was taken out and can be put back. */
export type RemovedOccasion = z.output<typeof RemovedRow>;

/** Returns the occasions with a measure that were taken out since an instant, the last first. */
export const listRemovedOccasions = (db: Db, clientId: number, measureId: string, since: string): Promise<RemovedOccasion[]> =>
  rowsAtOnce(
    db,
    RemovedRow,
    `select o.id, o.taken_on, o.removed_at, json_agg(distinct t.measure_id) as measures
       from occasion o join trial t on t.occasion_id = o.id
      where o.client_id = $1 and o.removed_at > $3
      group by o.id having bool_or(t.measure_id = $2)
      order by o.removed_at desc`,
    [clientId, measureId, since]
  );

/** Adds to the note of an occasion that is gone on with. */
export async function appendNote(tx: ClientTx, occasionId: number, note: string): Promise<void> {
  await tx.query(`update occasion set note = trim(both from note || ' ' || $1) where id = $2`, [note, occasionId]);
}

/** Takes an occasion out of the record, or puts it back (null). */
export async function updateOccasionRemoved(tx: ClientTx, clientId: number, id: number, removedAt: string | null): Promise<void> {
  changedOne(
    await tx.query('update occasion set removed_at = $1 where id = $2 and client_id = $3', [removedAt, id, clientId]),
    'occasion'
  );
}
