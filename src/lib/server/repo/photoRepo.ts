import { z } from 'zod';
import { photoPoints, type PhotoInput } from '$lib/contract/photoForms';
import { bodyState } from '$lib/contract/fields';
import { measureModes, sides, wayIds } from '$lib/core';
import type { ClientTx, Db } from '../db/db';
import { allRows, firstRow, oneRow } from '../db/rows';
import type { MediaType } from '../photos/photoFiles';

const ConsentRow = z
  .object({ given_by: z.string(), given_on: z.iso.date() })
  .transform((r) => ({ givenBy: r.given_by, givenOn: r.given_on }));
export type PhotoConsent = z.output<typeof ConsentRow>;

export async function findConsent(db: Db, clientId: number): Promise<PhotoConsent | null> {
  const { rows } = await db.query('select given_by, given_on from photo_consent where client_id = $1', [clientId]);
  return firstRow(ConsentRow, rows);
}

export async function upsertConsent(tx: ClientTx, clientId: number, { givenBy, givenOn }: PhotoConsent): Promise<void> {
  await tx.query(
    `insert into photo_consent (client_id, given_by, given_on) values ($1, $2, $3)
     on conflict (client_id) do update set given_by = excluded.given_by, given_on = excluded.given_on`,
    [clientId, givenBy, givenOn]
  );
}

export async function deleteConsent(tx: ClientTx, clientId: number): Promise<void> {
  await tx.query('delete from photo_consent where client_id = $1', [clientId]);
}

const PhotoRow = z
  .object({
    id: z.uuid(),
    measure_id: z.string(),
    side: z.enum(sides).nullable(),
    mode: z.enum(measureModes),
    width_px: z.int(),
    height_px: z.int(),
    points: photoPoints,
    taken_on: z.iso.date(),
    body_state: bodyState,
    occasion_id: z.int(),
    way: z.enum(wayIds)
  })
  .transform((r) => ({
    id: r.id,
    measureId: r.measure_id,
    side: r.side,
    mode: r.mode,
    widthPx: r.width_px,
    heightPx: r.height_px,
    points: r.points,
    takenOn: r.taken_on,
    bodyState: r.body_state,
    occasionId: r.occasion_id,
    way: r.way
  }));
export type Photo = z.output<typeof PhotoRow>;

/** Pictures that belong to a measure of the record, oldest first. */
export async function listPhotos(db: Db, clientId: number): Promise<Photo[]> {
  const { rows } = await db.query(
    `select p.id, p.measure_id, p.side, p.mode, p.width_px, p.height_px, p.points, o.taken_on, o.body_state, o.id as occasion_id, t.way
       from photo p join trial t on t.id = p.trial_id join occasion o on o.id = t.occasion_id
      where p.client_id = $1 and o.removed_at is null and t.removed_at is null
      order by o.taken_on, o.id, t.ordinal`,
    [clientId]
  );
  return allRows(PhotoRow, rows);
}

const FileRow = z.object({ media_type: z.enum(['image/jpeg', 'image/svg+xml']) }).transform((r): MediaType => r.media_type);

export async function getPhotoType(db: Db, clientId: number, id: string): Promise<MediaType> {
  const { rows } = await db.query('select media_type from photo where client_id = $1 and id = $2', [clientId, id]);
  return oneRow(FileRow, rows, 'photo');
}

export type NewPhoto = PhotoInput & Readonly<{ mediaType: MediaType; widthPx: number; heightPx: number; sizeBytes: number }>;

export async function isPhotoKnown(db: Db, id: string): Promise<boolean> {
  const { rows } = await db.query('select 1 from photo where id = $1', [id]);
  return rows.length > 0;
}

export async function insertPhoto(tx: ClientTx, clientId: number, p: NewPhoto): Promise<void> {
  await tx.query(
    `insert into photo (id, client_id, measure_id, side, mode, media_type, width_px, height_px, size_bytes, points, taken_on)
     values ($1, $2, $3, $4, $5, $6, $7, $8, $9, $10, $11)
     on conflict (id) do nothing`,
    [
      p.id,
      clientId,
      p.measureId,
      p.side,
      p.mode,
      p.mediaType,
      p.widthPx,
      p.heightPx,
      p.sizeBytes,
      JSON.stringify(p.points),
      p.takenOn
    ]
  );
}

/** Joins a picture of this client and measure to the trial it gave. */
export async function updatePhotoTrial(
  tx: ClientTx,
  clientId: number,
  id: string,
  measureId: string,
  trialId: number
): Promise<void> {
  await tx.query('update photo set trial_id = $1 where id = $2 and client_id = $3 and measure_id = $4', [
    trialId,
    id,
    clientId,
    measureId
  ]);
}

const IdTextRow = z.object({ id: z.uuid() }).transform((r) => r.id);

/** Every picture of a client, joined to a measure or not. */
export async function listPhotoIds(db: Db, clientId: number): Promise<string[]> {
  const { rows } = await db.query('select id from photo where client_id = $1', [clientId]);
  return allRows(IdTextRow, rows);
}

export async function listAllPhotoIds(db: Db): Promise<string[]> {
  const { rows } = await db.query('select id from photo');
  return allRows(IdTextRow, rows);
}

export async function deletePhotos(tx: ClientTx, clientId: number, ids: readonly string[]): Promise<void> {
  await tx.query('delete from photo where client_id = $1 and id = any($2)', [clientId, ids]);
}

/** Pictures whose measure was never kept. Gives their ids. */
export async function deleteUnkeptBefore(db: Db, before: string): Promise<string[]> {
  const { rows } = await db.query('delete from photo where trial_id is null and created_at < $1 returning id', [before]);
  return allRows(IdTextRow, rows);
}

const UsedRow = z.object({ used: z.number() }).transform((r) => r.used);

export async function getPhotoBytes(db: Db): Promise<number> {
  const { rows } = await db.query('select coalesce(sum(size_bytes), 0)::float8 as used from photo');
  return oneRow(UsedRow, rows, 'photo');
}
