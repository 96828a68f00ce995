import { z } from 'zod';
import { exercises, goalOf, measures, sorePainKinds } from '$lib/core';
import type { Db } from '../db/db';
import { allRows } from '../db/rows';

const PersonRow = z
  .object({
    id: z.int(),
    name: z.string(),
    level: z.string(),
    is_example: z.boolean(),
    goal_kind: z.string().nullable(),
    goal_title: z.string().nullable(),
    headline: z.string().nullable(),
    target: z.number().nullable(),
    target_on: z.iso.date().nullable(),
    event_name: z.string().nullable(),
    goal_count: z.number(),
    left_value: z.number().nullable(),
    right_value: z.number().nullable(),
    both_value: z.number().nullable(),
    measured_on: z.iso.date().nullable(),
    verdicts_wait: z.boolean(),
    has_decisions: z.boolean(),
    is_graded: z.boolean(),
    plan_version: z.number().nullable(),
    session: z.object({ status: z.enum(['running', 'planned']), week: z.int(), ordinal: z.int(), on: z.iso.date() }).nullable(),
    open_stops: z.number(),
    person_stops: z.number(),
    screening: z
      .object({
        clearance: z.enum(['go', 'go with limits', 'clinician first', 'urgent']),
        cleared_by: z.string().nullable(),
        taken_on: z.iso.date(),
        version: z.string()
      })
      .nullable()
  })
  .transform((r) => ({
    id: r.id,
    name: r.name,
    level: r.level,
    isExample: r.is_example,
    goal:
      r.goal_kind === null || r.headline === null
        ? null
        : {
            kind: r.goal_kind,
            name: r.goal_title || goalOf(r.goal_kind).name,
            headline: r.headline,
            target: r.target,
            targetOn: r.target_on,
            eventName: r.event_name ?? '',
            /** Goals besides this one. */
            others: r.goal_count - 1
          },
    /** Newest mean of the headline by side; `both` where the sides go together. */
    values: { left: r.left_value, right: r.right_value, both: r.both_value },
    measuredOn: r.measured_on,
    verdictsWait: r.verdicts_wait,
    hasDecisions: r.has_decisions,
    isGraded: r.is_graded,
    planVersion: r.plan_version,
    /** The one that runs, or else the next. */
    session: r.session,
    openStops: r.open_stops,
    /** Stops of the whole person. */
    personStops: r.person_stops,
    screening: r.screening && {
      clearance: r.screening.clearance,
      clearedBy: r.screening.cleared_by,
      takenOn: r.screening.taken_on,
      version: r.screening.version
    }
  }));
export type Person = z.output<typeof PersonRow>;

/** The mode a headline is mainly taken in. */
const mainModes = Object.fromEntries(measures.map((m) => [m.id, m.modes[0]]));

/** Measures that are taken of both sides together. */
const together = measures.filter((m) => m.sides !== 'each').map((m) => m.id);

const shippedIds = exercises.map((e) => e.id);

/** These people, each with the few figures a list shows, in one query. */
export async function listPeople(db: Db, ids: readonly number[]): Promise<Person[]> {
  const { rows } = await db.query(
    `select c.id, c.name, c.level, c.is_example, g.kind as goal_kind, g.title as goal_title, g.headline, g.target, g.target_on, g.event_name,
            (select count(*) from goal where client_id = c.id and closed_at is null) as goal_count,
            m.left_value, m.right_value, m.both_value, m.measured_on,
            (select count(*) from body_lock l where l.client_id = c.id and l.cleared_on is null) as open_stops,
            (select count(*) from body_lock l where l.client_id = c.id and l.cleared_on is null and l.whole_person) as person_stops,
            (select json_build_object('clearance', clearance, 'cleared_by', cleared_by, 'taken_on', taken_on, 'version', version)
               from screening where client_id = c.id order by id desc limit 1) as screening,
            exists (select 1 from exercise_setting e where e.goal_id = g.id and e.setting <> '{}'
                     group by e.exercise_id having count(*) = 2) as is_graded,
            (select max(version) from plan p where p.goal_id = g.id and p.superseded_at is null) as plan_version,
            (select json_build_object('status', n.status, 'week', n.week, 'ordinal', n.ordinal, 'on', n.planned_on)
               from plan p cross join lateral (
                 select * from session where plan_id = p.id and status in ('running', 'planned')
                  order by status = 'running' desc, week, ordinal, id limit 1) n
              where p.goal_id = g.id
              order by n.status = 'running' desc, p.version limit 1) as session,
            exists (select 1 from decision d where d.goal_id = g.id) as has_decisions,
            coalesce(v.wait, false) as verdicts_wait
       from client c
       left join lateral (
         select * from goal where client_id = c.id and closed_at is null
          order by (id = c.current_goal_id) desc nulls last, id desc limit 1
       ) g on true
       left join lateral (
         -- The newest occasion of each side: its mean, in the mode the headline is mainly taken in.
         select max(n.taken_on) as measured_on,
                max(n.mean) filter (where s.side = 'left') as left_value,
                max(n.mean) filter (where s.side = 'right') as right_value,
                max(n.mean) filter (where s.side is null) as both_value
           from (values ('left'), ('right'), (null)) as s (side) cross join lateral (
             select o.taken_on, t.mean
               from occasion o cross join lateral (
                 select avg(value) as mean from trial
                  where occasion_id = o.id and removed_at is null and measure_id = g.headline and mode = $2::jsonb ->> g.headline
                    and side is not distinct from s.side) t
              where o.client_id = c.id and o.removed_at is null and t.mean is not null
              order by o.taken_on desc, o.id desc limit 1
           ) n
          where (s.side is null) = (g.headline = any ($5::text[]))
       ) m on true
       left join lateral (
         -- Of the session that ended last: a set without its verdict, or pain told after one.
         select exists (select 1 from jsonb_to_recordset(n.planned_sets) as s ("exerciseId" text, side text, "isLookedAt" boolean)
                         where s."isLookedAt" is not true
                           and (s."exerciseId" = any ($3::text[])
                                or exists (select 1 from own_exercise x where s."exerciseId" = 'own_' || x.id and x.removed_at is null))
                           and not exists (select 1 from decision d where d.session_id = n.id and d.moment = 'review'
                                              and d.exercise_id = s."exerciseId" and d.side is not distinct from s.side))
             or exists (select 1 from pain_event e join decision d on d.session_id = n.id and d.moment = 'review'
                                              and d.exercise_id = e.exercise_id and (e.work_side is null or d.side is null or d.side = e.work_side)
                         where e.session_id = n.id and e.withdrawn_at is null and e.told_at > d.decided_at and e.kind = any ($4::text[])
                           and not exists (select 1 from decision a where a.session_id = n.id and a.moment = 'afterwards'
                                              and a.exercise_id = d.exercise_id and a.side is not distinct from d.side)) as wait
           from (
             select l.* from plan p cross join lateral (
               select * from session where plan_id = p.id and status in ('done', 'stopped')
                order by started_at desc nulls last, id desc limit 1) l
              where p.goal_id = g.id and l.started_at is not null
              order by l.started_at desc, l.id desc limit 1
           ) n
       ) v on true
      where c.id = any ($1::integer[])`,
    [ids, JSON.stringify(mainModes), shippedIds, sorePainKinds, together]
  );
  return allRows(PersonRow, rows);
}

const NamedRow = z.object({ id: z.int(), name: z.string() });

/** People who are working toward a goal, by name. */
export async function listWithGoal(db: Db): Promise<z.output<typeof NamedRow>[]> {
  const { rows } = await db.query(
    `select c.id, c.name from client c
      where c.archived_at is null and exists (select from goal g where g.client_id = c.id and g.closed_at is null)
      order by lower(c.name), c.id`
  );
  return allRows(NamedRow, rows);
}
