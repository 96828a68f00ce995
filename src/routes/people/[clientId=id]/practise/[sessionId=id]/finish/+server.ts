import { finishSchema } from '$lib/contract/forms';
import { finishSession } from '$lib/server/service/practising';
import { asJson, runWrite } from '$lib/server/runForm';
import type { RequestHandler } from './$types';

export const POST: RequestHandler = async ({ request, params, locals: { db, now } }) => {
  const raw: unknown = await request.json().catch(() => null);
  return asJson(
    await runWrite(finishSchema, raw, (end) => finishSession(db, Number(params.clientId), Number(params.sessionId), end, now))
  );
};
