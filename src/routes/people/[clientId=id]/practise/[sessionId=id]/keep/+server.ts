import { z } from 'zod';
import { keepSession } from '$lib/server/service/keeping';
import { asJson, runWrite } from '$lib/server/runForm';
import type { RequestHandler } from './$types';

/** A session for a device to keep: asked for as a write, since what was given is kept here as well. */
export const POST: RequestHandler = async ({ request, params, locals: { db, now } }) => {
  const raw: unknown = await request.json().catch(() => null);
  return asJson(
    await runWrite(z.strictObject({}), raw, () => keepSession(db, Number(params.clientId), Number(params.sessionId), now))
  );
};
