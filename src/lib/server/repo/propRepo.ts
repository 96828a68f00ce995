import { z } from 'zod';
import { materials } from '$lib/contract/forms';
import type { PropFace } from '$lib/core';
import type { Db } from '../db/db';
import { allRows, IdRow, oneRow } from '../db/rows';

const PropRow = z
  .object({
    id: z.int(),
    name: z.string(),
    material: z.enum(materials),
    quantity: z.int(),
    soft_share: z.number(),
    faces: z.array(z.object({ height_cm: z.number(), width_cm: z.number(), depth_cm: z.number(), carries: z.boolean() }))
  })
  .transform((r) => ({
    id: String(r.id),
    name: r.name,
    material: r.material,
    quantity: r.quantity,
    softShare: r.soft_share,
    faces: r.faces.map((f) => ({ heightCm: f.height_cm, widthCm: f.width_cm, depthCm: f.depth_cm, carries: f.carries }))
  }));
/** A prop of the shelf: what the core knows of it, and what it is made of. */
export type ShelfProp = z.output<typeof PropRow>;

/** The shelf in its order; faces in theirs. */
export async function listProps(db: Db): Promise<ShelfProp[]> {
  const { rows } = await db.query(
    `select p.id, p.name, p.material, p.quantity, p.soft_share,
            coalesce(json_agg(json_build_object('height_cm', f.height_cm, 'width_cm', f.width_cm, 'depth_cm', f.depth_cm, 'carries', f.carries)
                              order by f.ordinal) filter (where f.prop_id is not null), '[]') as faces
       from prop p left join prop_face f on f.prop_id = p.id
      where p.removed_at is null
      group by p.id
      order by p.ordinal, p.id`
  );
  return allRows(PropRow, rows);
}

export type NewProp = Readonly<{
  name: string;
  material: (typeof materials)[number];
  quantity: number;
  softShare: number;
  faces: readonly PropFace[];
}>;

/** A prop at the end of the shelf with its faces; meant for a transaction. */
export async function insertProp(tx: Db, prop: NewProp): Promise<number> {
  const { rows } = await tx.query(
    `insert into prop (name, material, quantity, soft_share, ordinal)
     values ($1, $2, $3, $4, (select coalesce(max(ordinal), 0) + 1 from prop)) returning id`,
    [prop.name, prop.material, prop.quantity, prop.softShare]
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
  await tx.query('update prop set name = $1, material = $2, quantity = $3, soft_share = $4 where id = $5', [
    prop.name,
    prop.material,
    prop.quantity,
    prop.softShare,
    id
  ]);
  await tx.query('delete from prop_face where prop_id = $1', [id]);
  await insertFaces(tx, id, prop.faces);
}

export async function updateQuantity(db: Db, id: number, quantity: number): Promise<void> {
  await db.query('update prop set quantity = $1 where id = $2', [quantity, id]);
}

/** Takes a prop off the shelf, or puts it back (null). */
export async function updatePropRemoved(db: Db, id: number, removedAt: string | null): Promise<void> {
  await db.query('update prop set removed_at = $1 where id = $2', [removedAt, id]);
}
