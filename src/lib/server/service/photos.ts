import { imageSize } from 'image-size';
import { photoLimits, type PhotoInput } from '$lib/contract/photoForms';
import { CoreError } from '$lib/core';
import type { Database, Db } from '../db/db';
import type { MediaType, PhotoFiles } from '../photos/photoFiles';
import { deleteClient } from '../repo/clientRepo';
import {
  deleteConsent,
  deletePhotos,
  deleteUnkeptBefore,
  findConsent,
  getPhotoBytes,
  insertPhoto,
  isPhotoKnown,
  listAllPhotoIds,
  listPhotoIds
} from '../repo/photoRepo';
import { changeClient } from './changing';

const mb = 1024 * 1024;

/**
 * Keeps a picture with what was set on it; its measure claims it when that is kept.
 *
 * The file is written before its row, and a file without a row is put aside at the next start: nothing is half there.
 * Throws: CoreError 'consent_missing', 'photo_unreadable', 'photo_too_large', 'photos_full'.
 */
export async function keepPhoto(
  db: Database,
  files: PhotoFiles,
  clientId: number,
  input: PhotoInput,
  bytes: Uint8Array,
  mediaType: MediaType = 'image/jpeg'
): Promise<void> {
  await requireConsent(db, clientId);
  if (bytes.length > photoLimits.keptMb * mb) throw new CoreError('photo_too_large', { limitMb: photoLimits.keptMb });
  const { widthPx, heightPx } = sizeOf(bytes, mediaType);
  if ((await getPhotoBytes(db)) + bytes.length > photoLimits.studioMb * mb)
    throw new CoreError('photos_full', { limitMb: photoLimits.studioMb });
  if (await isPhotoKnown(db, input.id)) return; // sent again
  await files.write(input.id, mediaType, bytes);
  try {
    await changeClient(db, clientId, async (tx) => {
      await requireConsent(tx, clientId); // taken back, perhaps, while the picture came in
      await insertPhoto(tx, clientId, { ...input, mediaType, widthPx, heightPx, sizeBytes: bytes.length });
    });
  } catch (problem) {
    if (!(await isPhotoKnown(db, input.id))) await files.remove([input.id]);
    throw problem;
  }
}

async function requireConsent(db: Db, clientId: number): Promise<void> {
  if ((await findConsent(db, clientId)) === null) throw new CoreError('consent_missing');
}

function sizeOf(bytes: Uint8Array, mediaType: MediaType): { widthPx: number; heightPx: number } {
  try {
    const { width, height, type } = imageSize(bytes);
    const isInBounds = Math.min(width, height) >= 1 && Math.max(width, height) <= photoLimits.sidePx;
    if (isInBounds && type === (mediaType === 'image/jpeg' ? 'jpg' : 'svg')) return { widthPx: width, heightPx: height };
  } catch {
    // told below
  }
  throw new CoreError('photo_unreadable');
}

export async function removePhotos(db: Database, files: PhotoFiles, clientId: number, ids: readonly string[]): Promise<void> {
  const gone = await changeClient(db, clientId, async (tx) => {
    const own = new Set(await listPhotoIds(tx, clientId));
    const asked = ids.filter((id) => own.has(id));
    await deletePhotos(tx, clientId, asked);
    return asked;
  });
  await files.remove(gone);
}

/** Takes the consent back: every picture goes with it. The measures they gave stay. */
export async function revokeConsent(db: Database, files: PhotoFiles, clientId: number): Promise<void> {
  const gone = await changeClient(db, clientId, async (tx) => {
    const ids = await listPhotoIds(tx, clientId);
    await deletePhotos(tx, clientId, ids);
    await deleteConsent(tx, clientId);
    return ids;
  });
  await files.remove(gone);
}

/** Deletes an archived client with everything of theirs, pictures too. It cannot be undone. */
export async function deleteForGood(db: Database, files: PhotoFiles, clientId: number): Promise<void> {
  const gone = await changeClient(db, clientId, async (tx) => {
    const ids = await listPhotoIds(tx, clientId);
    await deleteClient(tx, clientId);
    return ids;
  });
  await files.remove(gone);
}

/** At the start: pictures whose measure was never kept go after a day; files that no row knows are put aside. Returns how many. */
export async function sweepPhotos(db: Database, files: PhotoFiles, now: Date): Promise<number> {
  await files.remove(await deleteUnkeptBefore(db, new Date(now.getTime() - 24 * 3600 * 1000).toISOString()));
  return files.sweep(new Set(await listAllPhotoIds(db)), now);
}
