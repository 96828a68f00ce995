import { z } from 'zod';
import type { Db } from '../db/db';
import { allRows } from '../db/rows';

const PersonRow = z
  .object({
    id: z.int(),
    name: z.string(),
    level: z.string(),
    lead_side: z.enum(['left', 'right']).nullable(),
    target_depth_cm: z.number().nullable(),
    target_on: z.iso.date().nullable(),
    event_name: z.string().nullable(),
    left_cm: z.number().nullable(),
    right_cm: z.number().nullable(),
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
    goal: r.lead_side && {
      leadSide: r.lead_side,
      targetDepthCm: r.target_depth_cm ?? 0,
      targetOn: r.target_on,
      eventName: r.event_name ?? ''
    },
    depthCm: { left: r.left_cm, right: r.right_cm },
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
    `select c.id, c.name, c.level, g.lead_side, g.target_depth_cm, g.target_on, g.event_name,
            m.left_cm, m.right_cm, m.measured_on, s.last_session_at, s.next_on,
            coalesce(s.last_id is not null and not exists (select 1 from decision d where d.session_id = s.last_id and d.moment = 'review'), false)
              as is_undecided,
            (select count(*) from body_lock l where l.client_id = c.id and l.cleared_on is null) as open_locks,
            sc.is_open
       from client c
       left join lateral (select * from goal where client_id = c.id and closed_at is null order by id desc limit 1) g on true
       left join lateral (
         select max(o.taken_on) as measured_on,
                avg(t.gap_cm - t.lead_raise_cm) filter (where t.side = 'left' and o.id = newest.left_id) as left_cm,
                avg(t.gap_cm - t.lead_raise_cm) filter (where t.side = 'right' and o.id = newest.right_id) as right_cm
           from occasion o
           join trial t on t.occasion_id = o.id and t.mode = 'passive'
           cross join (
             select (array_agg(x.id order by x.taken_on desc, x.id desc) filter (where y.side = 'left'))[1] as left_id,
                    (array_agg(x.id order by x.taken_on desc, x.id desc) filter (where y.side = 'right'))[1] as right_id
               from occasion x join trial y on y.occasion_id = x.id and y.mode = 'passive'
              where x.goal_id = g.id and x.removed_at is null
           ) newest
          where o.goal_id = g.id and o.removed_at is null
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
