import { photoForm, photoLimits } from '$lib/contract/photoForms';
import { orNotFound } from '$lib/server/orNotFound';
import { getPhotoType } from '$lib/server/repo/photoRepo';
import { keepPhoto } from '$lib/server/service/photos';
import { asJson, formDataOf, runWrite } from '$lib/server/runForm';
import { error } from '@sveltejs/kit';
import { z } from 'zod';
import type { RequestHandler } from './$types';

const uuid = z.uuid();

/** The picture itself. It never leaves this machine: no cache keeps it, and a drawn one may run nothing. */
export const GET: RequestHandler = async ({ params, locals: { db, photoFiles, caseOf } }) => {
  const { client } = await orNotFound(caseOf(Number(params.clientId)));
  const id = uuid.safeParse(params.photoId);
  if (!id.success) error(404, 'There is no such page.');
  const type = await orNotFound(getPhotoType(db, client.id, id.data));
  const bytes = await photoFiles.read(id.data, type);
  if (!bytes) error(404, 'This picture is not there any more.'); // deleted since the snapshot that was gone back to
  return new Response(bytes, {
    headers: {
      'content-type': type,
      // Taken back, it is gone from the browser as well.
      'cache-control': 'private, no-store',
      'content-security-policy': "default-src 'none'; style-src 'unsafe-inline'; sandbox"
    }
  });
};

/** Takes a picture with what was set on it. Sent again it changes nothing. */
export const PUT: RequestHandler = async ({ params, request, locals: { db, photoFiles, caseOf } }) => {
  const { client } = await orNotFound(caseOf(Number(params.clientId)));
  if (Number(request.headers.get('content-length')) > (photoLimits.keptMb + 1) * 1024 * 1024)
    return asJson({ ok: false, problem: { code: 'photo_too_large', data: { limitMb: photoLimits.keptMb } } });
  const data = await formDataOf(request);
  const file = data.get('file');
  const fields = Object.fromEntries([...data].filter(([name]) => name !== 'file'));
  return asJson(
    await runWrite(photoForm, { ...fields, id: params.photoId }, async (input) => {
      const bytes = file instanceof File ? new Uint8Array(await file.arrayBuffer()) : new Uint8Array();
      await keepPhoto(db, photoFiles, client.id, input, bytes);
    })
  );
};
