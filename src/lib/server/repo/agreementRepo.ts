import { z } from 'zod';
import { measureModes, sides } from '$lib/core';
import type { Db } from '../db/db';
import { allRows } from '../db/rows';

const PairRow = z
  .object({
    client_id: z.int(),
    name: z.string(),
    taken_on: z.iso.date(),
    side: z.enum(sides).nullable(),
    mode: z.enum(measureModes),
    first: z.number(),
    second: z.number()
  })
  .transform((r) => ({
    clientId: r.client_id,
    name: r.name,
    takenOn: r.taken_on,
    side: r.side,
    mode: r.mode,
    first: r.first,
    second: r.second
  }));
export type MeasuredPair = z.output<typeof PairRow>;

/** Everyone who took a measure, the one who took most first. */
export async function listMeasurers(db: Db, measureId: string): Promise<string[]> {
  const { rows } = await db.query(
    `select o.measurer, count(*) from occasion o join trial t on t.occasion_id = o.id
      where t.measure_id = $1 and o.removed_at is null and t.removed_at is null and o.measurer <> ''
      group by o.measurer order by count(*) desc, o.measurer`,
    [measureId]
  );
  return allRows(z.object({ measurer: z.string() }), rows).map((r) => r.measurer);
}

/** What two measurers read of the same person on one day, alike in state, side, mode, way and support; the last of each. */
export async function listPairs(db: Db, measureId: string, first: string, second: string): Promise<MeasuredPair[]> {
  const { rows } = await db.query(
    `with means as (
       select distinct on (o.client_id, o.taken_on, o.body_state, o.measurer, t.side, t.mode, t.way, t.support)
              o.client_id, o.taken_on, o.body_state, o.measurer, t.side, t.mode, t.way, t.support, avg(t.value) as value
         from occasion o join trial t on t.occasion_id = o.id
        where t.measure_id = $1 and o.removed_at is null and t.removed_at is null and o.measurer in ($2, $3)
        group by o.id, t.side, t.mode, t.way, t.support
        order by o.client_id, o.taken_on, o.body_state, o.measurer, t.side, t.mode, t.way, t.support, o.id desc
     )
     select c.id as client_id, c.name, a.taken_on, a.side, a.mode, a.value as first, b.value as second
       from means a
       join means b on b.client_id = a.client_id and b.taken_on = a.taken_on and b.body_state = a.body_state
                   and b.side is not distinct from a.side and b.mode = a.mode and b.way = a.way and b.support = a.support
       join client c on c.id = a.client_id
      where a.measurer = $2 and b.measurer = $3
      order by a.taken_on, c.name, a.side, a.mode`,
    [measureId, first, second]
  );
  return allRows(PairRow, rows);
}
