import { setLogSchema } from '$lib/contract/setForms';
import { logSet } from '$lib/server/service/practising';
import { asJson, runWrite } from '$lib/server/runForm';
import type { RequestHandler } from './$types';

export const POST: RequestHandler = async ({ request, params, locals: { db } }) => {
  const raw: unknown = await request.json().catch(() => null);
  return asJson(await runWrite(setLogSchema, raw, (log) => logSet(db, Number(params.clientId), Number(params.sessionId), log)));
};
