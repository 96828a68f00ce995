import { z } from 'zod';
import { goalOf } from '$lib/core';
import type { Db } from '../db/db';
import { allRows } from '../db/rows';

const PersonRow = z
  .object({
    id: z.int(),
    name: z.string(),
    level: z.string(),
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
    last_session_at: z.string().nullable(),
    next_on: z.iso.date().nullable(),
    is_undecided: z.boolean(),
    open_locks: z.number(),
    is_open: z.boolean().nullable()
  })
  .transform((r) => ({
    id: r.id,
    name: r.name,
    level: r.level,
    goal: r.goal_kind &&
      r.headline && {
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
    lastSessionAt: r.last_session_at,
    nextOn: r.next_on,
    /** The last session was reviewed by nobody yet. */
    isUndecided: r.is_undecided,
    openLocks: r.open_locks,
    /** Null: not screened. */
    isOpen: r.is_open
  }));
export type Person = z.output<typeof PersonRow>;

/** Everyone of the list with the few figures it shows, in one query; by name. */
export async function listPeople(db: Db, which: 'active' | 'archived'): Promise<Person[]> {
  const { rows } = await db.query(
    `select c.id, c.name, c.level, g.kind as goal_kind, g.title as goal_title, g.headline, g.target, g.target_on, g.event_name,
            (select count(*) from goal where client_id = c.id and closed_at is null) as goal_count,
            m.left_value, m.right_value, m.both_value, m.measured_on, s.last_session_at, s.next_on,
            coalesce(s.last_id is not null and not exists (select 1 from decision d where d.session_id = s.last_id and d.moment = 'review'), false)
              as is_undecided,
            (select count(*) from body_lock l where l.client_id = c.id and l.cleared_on is null) as open_locks,
            sc.is_open
       from client c
       left join lateral (
         select * from goal where client_id = c.id and closed_at is null
          order by (id = c.current_goal_id) desc nulls last, id desc limit 1
       ) g on true
       left join lateral (
         -- The newest occasion of each side: its mean, in the mode the headline is mainly taken in.
         select max(n.taken_on) as measured_on,
                max(n.mean) filter (where n.side = 'left') as left_value,
                max(n.mean) filter (where n.side = 'right') as right_value,
                max(n.mean) filter (where n.side is null) as both_value
           from (
             select distinct on (t.side) t.side, o.taken_on, avg(t.value) as mean
               from occasion o join trial t on t.occasion_id = o.id
              where o.client_id = c.id and o.removed_at is null and t.measure_id = g.headline
                and (t.mode = 'passive' or not exists (
                      select 1 from trial p join occasion q on q.id = p.occasion_id
                       where q.client_id = c.id and q.removed_at is null and p.measure_id = g.headline and p.mode = 'passive'))
              group by t.side, o.id
              order by t.side, o.taken_on desc, o.id desc
           ) n
       ) m on true
       left join lateral (
         select max(n.ended_at) as last_session_at, min(n.planned_on) filter (where n.status = 'planned') as next_on,
                (array_agg(n.id order by n.ended_at desc) filter (where n.ended_at is not null))[1] as last_id
           from session n join plan p on p.id = n.plan_id where p.goal_id = g.id
       ) s on true
       left join lateral (
         select (clearance in ('go', 'go with limits') or cleared_by is not null) as is_open
           from screening where client_id = c.id order by id desc limit 1
       ) sc on true
      where (c.archived_at is not null) = $1
      order by lower(c.name), c.id`,
    [which === 'archived']
  );
  return allRows(PersonRow, rows);
}
