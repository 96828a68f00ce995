import { startedAwaySchema } from '$lib/contract/played';
import { startAway } from '$lib/server/service/keeping';
import { asJson, runWrite } from '$lib/server/runForm';
import type { RequestHandler } from './$types';

export const POST: RequestHandler = async ({ request, params, locals: { db, now } }) => {
  const raw: unknown = await request.json().catch(() => null);
  return asJson(
    await runWrite(startedAwaySchema, raw, (start) =>
      startAway(db, Number(params.clientId), Number(params.sessionId), start, now)
    )
  );
};
