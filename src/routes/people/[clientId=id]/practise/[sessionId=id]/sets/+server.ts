import { setLogSchema } from '$lib/contract/forms';
import { logSet } from '$lib/server/service/practising';
import { answered, received } from '$lib/server/submitted';
import type { RequestHandler } from './$types';

export const POST: RequestHandler = async ({ request, params, locals: { db } }) => {
  const raw: unknown = await request.json().catch(() => null);
  return answered(await received(setLogSchema, raw, (log) => logSet(db, Number(params.clientId), Number(params.sessionId), log)));
};
