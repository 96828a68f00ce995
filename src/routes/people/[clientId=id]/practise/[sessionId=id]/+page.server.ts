import { redirect } from '@sveltejs/kit';
import { goalCaseOr } from '$lib/server/orNotFound';
import { playedSession } from '$lib/server/service/keeping';
import type { PageServerLoad } from './$types';

export const load: PageServerLoad = async ({ params, locals: { caseOf, db } }) => {
  const c = await goalCaseOr(caseOf(Number(params.clientId)));
  const played = await playedSession(db, c, Number(params.sessionId));
  if (!played) redirect(307, `/people/${params.clientId}/practise`);
  return { played };
};
