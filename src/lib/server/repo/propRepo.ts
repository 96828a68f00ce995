import { z } from 'zod';
import { equipment, equipmentOf, type EquipmentId, type PropFace } from '$lib/core';
import type { Db } from '../db/db';
import { allRows, changedOne, IdRow, oneRow, rowsAtOnce } from '../db/rows';
import { takenOutRow, type TakenOut } from './takenOut';

const PropRow = z
  .object({
    id: z.int(),
    name: z.string(),
    kind: z.enum(equipment.map((e) => e.id) as [EquipmentId, ...EquipmentId[]]),
    client_id: z.int().nullable(),
    pull_kg: z.number().nullable(),
    mass_kg: z.number().nullable(),
    quantity: z.int(),
    soft_share: z.number(),
    faces: z.array(z.object({ height_cm: z.number(), width_cm: z.number(), depth_cm: z.number(), carries: z.boolean() }))
  })
  .transform((r) => ({
    id: String(r.id),
    name: r.name,
    kind: r.kind,
    material: equipmentOf(r.kind).material,
    clientId: r.client_id,
    pullKg: r.pull_kg,
    massKg: r.mass_kg,
    fixed: r.kind === 'stairs',
    quantity: r.quantity,
    softShare: r.soft_share,
    faces: r.faces.map((f) => ({ heightCm: f.height_cm, widthCm: f.width_cm, depthCm: f.depth_cm, carries: f.carries }))
  }));
/** A prop of the shelf: what the core knows of it, and what it is made of. */
export type ShelfProp = z.output<typeof PropRow>;

/** The studio's shelf, or what a client has at home, in its order; faces in theirs. */
export async function listProps(db: Db, clientId: number | null = null): Promise<ShelfProp[]> {
  const { rows } = await db.query(
    `select p.id, p.name, p.kind, p.client_id, p.pull_kg, p.mass_kg, p.quantity, p.soft_share,
            coalesce(json_agg(json_build_object('height_cm', f.height_cm, 'width_cm', f.width_cm, 'depth_cm', f.depth_cm, 'carries', f.carries)
                              order by f.ordinal) filter (where f.prop_id is not null), '[]') as faces
       from prop p left join prop_face f on f.prop_id = p.id
      where p.removed_at is null and p.client_id is not distinct from $1
      group by p.id
      order by p.ordinal, p.id`,
    [clientId]
  );
  return allRows(PropRow, rows);
}

export type NewProp = Readonly<{
  name: string;
  kind: EquipmentId;
  quantity: number;
  softShare: number;
  faces: readonly PropFace[];
  pullKg?: number | null;
  massKg?: number | null;
}>;

const valuesOf = ({ name, kind, quantity, softShare, pullKg = null, massKg = null }: NewProp) => [
  name,
  kind,
  quantity,
  softShare,
  pullKg,
  massKg
];

/** A prop at the end of the shelf with its faces; meant for a transaction. */
export async function insertProp(tx: Db, prop: NewProp, clientId: number | null = null): Promise<number> {
  const { rows } = await tx.query(
    `insert into prop (name, kind, quantity, soft_share, pull_kg, mass_kg, client_id, ordinal)
     values ($1, $2, $3, $4, $5, $6, $7, (select coalesce(max(ordinal), 0) + 1 from prop)) returning id`,
    [...valuesOf(prop), clientId]
  );
  const { id } = oneRow(IdRow, rows, 'prop');
  await insertFaces(tx, id, prop.faces);
  return id;
}

async function insertFaces(tx: Db, propId: number, faces: readonly PropFace[]): Promise<void> {
  for (const [ordinal, f] of faces.entries())
    await tx.query(
      'insert into prop_face (prop_id, ordinal, height_cm, width_cm, depth_cm, carries) values ($1, $2, $3, $4, $5, $6)',
      [propId, ordinal, f.heightCm, f.widthCm, f.depthCm, f.carries ?? true]
    );
}

export async function updateProp(tx: Db, id: number, prop: NewProp): Promise<void> {
  changedOne(
    await tx.query(
      'update prop set name = $1, kind = $2, quantity = $3, soft_share = $4, pull_kg = $5, mass_kg = $6 where id = $7',
      [...valuesOf(prop), id]
    ),
    'prop'
  );
  await tx.query('delete from prop_face where prop_id = $1', [id]);
  await insertFaces(tx, id, prop.faces);
}

export async function updateQuantity(db: Db, id: number, quantity: number): Promise<void> {
  changedOne(await db.query('update prop set quantity = $1 where id = $2', [quantity, id]), 'prop');
}

/** Returns what was taken off a shelf since an instant, the last first. */
export const listRemovedProps = (db: Db, clientId: number | null, since: string): Promise<TakenOut<number>[]> =>
  rowsAtOnce(
    db,
    takenOutRow(z.int()),
    `select id, name as text, removed_at as "removedAt" from prop
      where client_id is not distinct from $1 and removed_at > $2 order by removed_at desc`,
    [clientId, since]
  );

/** Takes a prop off the shelf, or puts it back (null). */
export async function updatePropRemoved(db: Db, id: number, removedAt: string | null): Promise<void> {
  changedOne(await db.query('update prop set removed_at = $1 where id = $2', [removedAt, id]), 'prop');
}
